/**
 * Hands what a page is drawn anew with on only once it is there whole. The framework begins to draw with the first of an answer: where the
 * server ended in the midst of it, the page was gone, and what stood on it. What is cut off counts as an answer that did not come, and such
 * a one is asked for again.
 *
 * What is asked for while the session is locked waits until it is opened: led away to where a passphrase is typed, the page was gone, and
 * what was half typed on it. Whoever covers the page answers `kokyu:shut` by preventing it, and says `kokyu:open` afterwards.
 *
 * It is put into the page as text and runs before everything else of it: it may use nothing from outside.
 */
export function takeAnswersWhole() {
  const ask = window.fetch;
  window.fetch = async (...asked) => {
    let answer = await ask(...asked);
    const [, { headers, method = 'GET' } = {}] = asked;
    const isOfPage = method === 'GET' && new Headers(headers).has('rsc');
    while (isOfPage && answer.status === 423) {
      const isCovered = !window.dispatchEvent(new Event('kokyu:shut', { cancelable: true }));
      if (!isCovered) break;
      await new Promise((resolve) => window.addEventListener('kokyu:open', resolve, { once: true }));
      answer = await ask(...asked);
    }
    if (answer.body === null || !answer.headers.get('content-type')?.startsWith('text/x-component')) return answer;
    // Where it came from is no part of what a new one can be made of.
    const whole = new Response(await answer.arrayBuffer(), answer);
    return Object.defineProperties(whole, { url: { value: answer.url }, redirected: { value: answer.redirected } });
  };
}
