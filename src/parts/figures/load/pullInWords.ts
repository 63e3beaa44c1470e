const names = [
  'straight up',
  'up and right',
  'to the right',
  'down and right',
  'straight down',
  'down and left',
  'to the left',
  'up and left',
] as const;

/**
 * Where a line of pull points on the picture, in words.
 *
 * @param degrees clockwise from straight up
 */
export function pullInWords(degrees: number): string {
  const turned = ((Math.round(degrees) % 360) + 360) % 360;
  return `${names[Math.round(turned / 45) % 8]!}, ${turned} degrees`;
}
