import { Link } from '@/parts/Link';
import { type ComponentProps } from 'react';

const looks = {
  plain: 'border border-ink text-ink hover:bg-leaf disabled:border-rule disabled:text-ink2',
  strong:
    'border border-ink bg-ink text-onink hover:opacity-90 disabled:border-rule disabled:bg-leaf disabled:text-ink2',
  quiet: 'text-ink2 underline decoration-rule underline-offset-4 hover:text-ink hover:decoration-ink',
  stop: 'border border-stop bg-stop text-onstop hover:opacity-90',
} as const;

const shape = 'inline-flex min-h-11 items-center justify-center gap-2 rounded-one px-4 py-2 text-base font-semibold';

type Look = keyof typeof looks;

export function Button({
  look = 'plain',
  className = '',
  type = 'button',
  ...rest
}: ComponentProps<'button'> & { look?: Look }) {
  return <button type={type} className={`${shape} ${looks[look]} ${className}`} {...rest} />;
}

export function LinkButton({ look = 'plain', className = '', ...rest }: ComponentProps<typeof Link> & { look?: Look }) {
  return <Link className={`${shape} ${looks[look]} ${className}`} {...rest} />;
}
