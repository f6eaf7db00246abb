/* global window, document */
// Scrolling the screen and timing its frames, for measuring.

/** Later than this a frame is seen to be late, in milliseconds. */
const LATE = 33.4;

/** Scrolls the screen for a while, 90 pixels a frame; says what share of the frames came in time. */
export async function scrolledFrames(page, milliseconds = 4000) {
  const frames = await page.evaluate(async (duration) => {
    const main = document.getElementById('main');
    const times = [];
    let last = window.performance.now();
    const end = last + duration;
    while (last < end) {
      main.scrollTop += 90;
      await new Promise((resolve) => window.requestAnimationFrame(resolve));
      const now = window.performance.now();
      times.push(now - last);
      last = now;
    }
    return times;
  }, milliseconds);
  const share = (100 * frames.filter((frame) => frame <= LATE).length) / frames.length;
  return { share, words: `${share.toFixed(1)} % of ${frames.length} frames within 33 ms` };
}

/** Prints a row that is no ratio. */
export const row = (name, words, isWithin, bound, more = '') =>
  console.log(`${name.padEnd(38)} ${''.padStart(12)}  ${words}  ${isWithin ? 'within' : 'OVER'} ${bound}  ${more}`);
