/** What was refused, in one sentence; the values stay as they were entered. */
export function LookError({ error }: { error: string | null }) {
  if (!error) return null;
  return (
    <p role="alert" className="mt-2 font-semibold">
      {error}
    </p>
  );
}
