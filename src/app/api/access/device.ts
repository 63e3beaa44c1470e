/** The browser and the system, as far as a person would tell them apart. */
export function deviceName(request: Request): string {
  const agent = request.headers.get('user-agent') ?? '';
  const found = (list: readonly (readonly [RegExp, string])[]) => list.find(([sign]) => sign.test(agent))?.[1];
  const browser = found([
    [/Edg\//, 'Edge'],
    [/Firefox\//, 'Firefox'],
    [/Chrom(e|ium)\//, 'Chrome'],
    [/Safari\//, 'Safari'],
  ]);
  const system = found([
    [/iPad|iPhone/, 'iOS'],
    [/Android/, 'Android'],
    [/Windows/, 'Windows'],
    [/Mac OS/, 'macOS'],
    [/Linux/, 'Linux'],
  ]);
  return `${browser ?? 'A browser'}${system ? ` on ${system}` : ''}`;
}
