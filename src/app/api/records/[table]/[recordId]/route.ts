import { rawRecord, readableTables, theStore } from '@/store';
import { answer } from '../../../answer';

/** A record as it lies in the file, for saving one that can't be read any other way. */
export async function GET(_request: Request, { params }: { params: Promise<{ table: string; recordId: string }> }) {
  const { table, recordId } = await params;
  if (!readableTables.includes(table)) return answer({ why: 'There are no such records.' }, 400);
  const rows = rawRecord(theStore(), table, recordId);
  return rows ? answer({ table, rows }) : answer({ why: 'No such record.' }, 404);
}
