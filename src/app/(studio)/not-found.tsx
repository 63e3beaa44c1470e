import { LinkButton } from '@/parts/Button';
import { StudioShell } from './StudioShell';

export default function NotFound() {
  return (
    <StudioShell>
      <h1 className="text-2xl">There is nothing at this address.</h1>
      <p className="mt-1 mb-5 text-ink2">
        The client, visit or run may belong to another studio file, or the address may have lost a letter. Nothing was
        changed.
      </p>
      <div className="flex gap-3">
        <LinkButton href="/" look="strong">
          Today
        </LinkButton>
        <LinkButton href="/clients">All clients</LinkButton>
      </div>
    </StudioShell>
  );
}
