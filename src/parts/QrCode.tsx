import qrcode from 'qrcode-generator';

/** Modules of white around the code: readers look for them. @source ISO/IEC 18004: a quiet zone of four modules (from memory) */
const quiet = 4;

/** A text as a code for a camera: always dark on light, whatever the theme, since some readers take no other. */
export function QrCode({ text, label }: { text: string; label: string }) {
  const code = qrcode(0, 'M');
  code.addData(text);
  code.make();
  const size = code.getModuleCount();
  const path = Array.from({ length: size }, (_, row) =>
    Array.from({ length: size }, (__, column) =>
      code.isDark(row, column) ? `M${column + quiet} ${row + quiet}h1v1h-1z` : '',
    ).join(''),
  ).join('');
  const whole = size + 2 * quiet;
  return (
    <svg
      viewBox={`0 0 ${whole} ${whole}`}
      role="img"
      aria-label={label}
      className="size-48"
      shapeRendering="crispEdges"
    >
      <rect width={whole} height={whole} fill="#ffffff" />
      <path d={path} fill="#000000" />
    </svg>
  );
}

/**
 * What a link for another device begins with: this page’s own address, or where that is one only this machine knows, what others know it by.
 *
 * @param elsewhere name and port under which other machines find it; null where none can
 */
export const linkBase = (elsewhere: string | null): string =>
  elsewhere !== null && /^(localhost|127\.|\[::1\])/.test(location.hostname) ? `https://${elsewhere}` : location.origin;
