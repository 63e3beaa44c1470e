/**
 * Has a page shown once all of it is in its place: nothing may slide under a finger that has set out for it. The framework sends the larger
 * parts of a page behind it and puts them in one by one, from three tenths of a second after the first picture on; whatever stands below
 * moves on each time, and so it does as the letters of the page's own script come. What does not come is waited for a moment only.
 *
 * It is put into the page as text and runs before everything else of it: it may use nothing from outside.
 */
export function showWhole(): void {
  // When the first picture was is told in `$RT`; where nothing is told, a part is put into its place in the next frame.
  Object.defineProperty(window, '$RT', { configurable: true, get: () => undefined, set() {} });
  const page = document.documentElement;
  page.dataset.coming = '';
  const show = () => delete page.dataset.coming;
  // A page that breaks off in its midst, or a server that stops talking: then what there is.
  setTimeout(show, 10_000);
  document.addEventListener('DOMContentLoaded', () => {
    setTimeout(show, 3000);
    // Parts that have come are put into their places in this frame, before this.
    requestAnimationFrame(() => {
      // Letters are asked for as the page is laid out.
      page.getBoundingClientRect();
      void document.fonts.ready.then(show);
    });
  });
}
