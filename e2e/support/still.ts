import { type Page } from '@playwright/test';

/**
 * Watches every page loaded from now on, at half speed: where everything that can be pressed or filled in stands, in every frame from the
 * first picture on, and for how long nothing has come and no script has run.
 */
export async function watchMoves(page: Page) {
  await page.addInitScript(() => {
    const seen: { moved: string[]; names: string[]; came: number } = { moved: [], names: [], came: 0 };
    let before = new Map<Element, number[]>();
    let last = 0;
    const busy = () => (seen.came = performance.now());
    const look = (now: number) => {
      requestAnimationFrame(look);
      // Busy with a script, which may draw something yet.
      if (now - last > 60) busy();
      last = now;
      if (!document.body || Number(getComputedStyle(document.body).opacity) === 0) return;
      const there = new Map<Element, number[]>();
      for (const one of document.querySelectorAll('main :is(button, a, input, select, textarea, summary)')) {
        const { width, x, y } = one.getBoundingClientRect();
        if (width === 0) continue;
        const [at, was] = [[Math.round(x + scrollX), Math.round(y + scrollY)], before.get(one)];
        there.set(one, at);
        const by = was ? Math.hypot(at[0]! - was[0]!, at[1]! - was[1]!) : 0;
        if (by > 2) seen.moved.push(`${one.textContent || one.tagName}: ${was} to ${at}`);
      }
      if (before.size === 0) {
        const lines = (document.querySelector('main')?.innerText ?? '').split('\n');
        seen.names.push(...lines.filter((line) => line.endsWith(' …')));
      }
      before = there;
    };
    requestAnimationFrame(look);
    new MutationObserver(busy).observe(document, { childList: true, subtree: true });
    new PerformanceObserver(busy).observe({ type: 'resource' });
    Object.assign(window, { seen });
  });
  const slow = await page.context().newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 2 });
  /** Once nothing comes any more: what moved since it was last asked, and the parts of which only the name was there at first. */
  return async () => {
    await page.waitForFunction(() => {
      const { came } = (window as unknown as { seen: { came: number } }).seen;
      return document.readyState === 'complete' && came > 0 && performance.now() - came > 400;
    });
    return page.evaluate(() => {
      const { moved, names } = (window as unknown as { seen: { moved: string[]; names: string[] } }).seen;
      return [...names, ...moved.splice(0)];
    });
  };
}
