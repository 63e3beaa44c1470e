/**
 * Has the larger parts of a page shown with it. The framework sends them behind the page and shows them three tenths of a second after its
 * first picture, so that on a slow network they don't jump in one by one; here they come with the page, and only their names would stand
 * there meanwhile. When that first picture was is told in `$RT`; where nothing is told, a part is shown in the next frame.
 *
 * It is put into the page as text and runs before everything else of it: it may use nothing from outside.
 */
export function showAtOnce() {
  Object.defineProperty(window, '$RT', { get: () => undefined, set() {} });
}
