/* global window, document */
// Scrolling the screen and timing its frames, for measuring.

/** Later than this a frame is seen to be late, in milliseconds. */
const LATE = 33.4;

const inTime = (frames) => {
  const share = (100 * frames.filter((frame) => frame <= LATE).length) / frames.length;
  return { share, words: `${share.toFixed(1)} % of ${frames.length} frames within 33 ms` };
};

/** Does something, and says what share of the frames meanwhile came in time. */
export async function framesWhile(page, work) {
  await page.evaluate(() => {
    window.frames33 = [];
    let last = window.performance.now();
    const note = (now) => {
      window.frames33?.push(now - last);
      last = now;
      if (window.frames33) window.requestAnimationFrame(note);
    };
    window.requestAnimationFrame(note);
  });
  await work();
  const frames = await page.evaluate(() => {
    const noted = window.frames33;
    window.frames33 = null;
    return noted;
  });
  return inTime(frames);
}

/** Scrolls the screen, or what a selector names, for a while, 90 pixels a frame; says what share of the frames came in time. */
export async function scrolledFrames(page, milliseconds = 4000, scrolled = '#main') {
  const frames = await page.evaluate(
    async ([duration, selector]) => {
      const element = document.querySelector(selector);
      const times = [];
      let last = window.performance.now();
      const end = last + duration;
      while (last < end) {
        element.scrollTop += 90;
        await new Promise((resolve) => window.requestAnimationFrame(resolve));
        const now = window.performance.now();
        times.push(now - last);
        last = now;
      }
      return times;
    },
    [milliseconds, scrolled],
  );
  return inTime(frames);
}

/** Prints a row that is no ratio. */
export const row = (name, words, isWithin, bound, more = '') =>
  console.log(`${name.padEnd(38)} ${''.padStart(12)}  ${words}  ${isWithin ? 'within' : 'OVER'} ${bound}  ${more}`);
