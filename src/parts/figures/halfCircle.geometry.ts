/** Drawing size of the half circle: the lines turn about the middle of its left edge. */
export const halfCircleSize = { width: 300, height: 520, radius: 230 } as const;
export const pivot = { x: 30, y: halfCircleSize.height / 2 } as const;

/**
 * End of a line at an angle from the horizontal, upward above 0.
 *
 * @example lineEnd(0) // { x: 260, y: 260 }
 */
export function lineEnd(degrees: number, radius: number = halfCircleSize.radius) {
  const angle = (degrees * Math.PI) / 180;
  return { x: pivot.x + radius * Math.cos(angle), y: pivot.y - radius * Math.sin(angle) };
}

/**
 * Which line a point on the drawing sets, and to how many degrees, in steps of five.
 *
 * @example angleAtPoint(130, 160) // { line: 'upper', degrees: 45 }
 */
export function angleAtPoint(x: number, y: number): { line: 'upper' | 'lower'; degrees: number } {
  const degrees = (Math.atan2(pivot.y - y, Math.max(0, x - pivot.x)) * 180) / Math.PI;
  return { line: degrees >= 0 ? 'upper' : 'lower', degrees: Math.min(90, Math.round(Math.abs(degrees) / 5) * 5) };
}

/** The sector between two angles from the horizontal, upward above 0, the lower one first. */
export function sector(fromDegrees: number, toDegrees: number): string {
  const [a, b] = [lineEnd(fromDegrees), lineEnd(toDegrees)];
  const { radius } = halfCircleSize;
  const at = ({ x, y }: { x: number; y: number }) => `${x.toFixed(1)} ${y.toFixed(1)}`;
  return `M ${at(pivot)} L ${at(a)} A ${radius} ${radius} 0 0 0 ${at(b)} Z`;
}
