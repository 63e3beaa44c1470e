/** Words as they may stand in a drawing. */
export const escaped = (words: string) =>
  words.replace(/[&<>"']/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[sign]!);

/** Words broken into lines of about a width, the last one cut short where they don't fit. */
export function wrapped(words: string, width: number, size: number, lines: number): string[] {
  const room = Math.max(4, Math.floor(width / (size * 0.52)));
  const found: string[] = [];
  let rest = words.trim();
  while (rest.length > 0 && found.length < lines) {
    if (rest.length <= room) {
      found.push(rest);
      return found;
    }
    const cut = rest.lastIndexOf(' ', room);
    const at = cut > 0 ? cut : room;
    found.push(rest.slice(0, at));
    rest = rest.slice(at).trim();
  }
  if (rest.length > 0 && found.length > 0)
    found[found.length - 1] = `${found.at(-1)!.slice(0, Math.max(1, room - 1))}…`;
  return found;
}
