import { notFound } from 'next/navigation';
import { EmergencyStop } from '@/stations/PathStop';
import { CourseStation } from '@/stations/track/CourseStation';
import { loadCourseReviewed, loadLadder } from '../../../../../../course';
import { loadClient } from '../../../../../../load';

export const metadata = { title: 'Course' };

export default async function CoursePage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  return (
    <>
      <EmergencyStop view={view} />
      <CourseStation
        clientId={clientId}
        visit={view.visit !== null}
        today={view.today}
        course={loadCourseReviewed(clientId)}
        ladder={loadLadder(clientId)}
      />
    </>
  );
}
