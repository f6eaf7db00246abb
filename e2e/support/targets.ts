import type { Page } from '@playwright/test';

/**
 * What a finger can't hit, of what is in sight: targets under 44 pixels, and such as lie over each other. A target may be
 * larger than what is drawn of it, by an ::after; links within a text are as high as their line.
 */
export const missedTargets = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const LEAST = 43.5;
    const SLACK = 1.5;
    const all = 'a, button, input, select, [role=button], [role=checkbox], [role=radio], [role=switch], [role=option]';
    const name = (element: Element) =>
      (element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 30);
    const isInSight = (element: Element) => {
      const { left, top, width, height } = element.getBoundingClientRect();
      if (!width || !height || left < 0 || getComputedStyle(element).visibility === 'hidden') return false;
      if (element.closest('.skip-link, [aria-hidden=true]')) return false;
      if (element.tagName === 'A' && element.closest('.words, .gloss-words, .task-words, .page-meta')) return false;
      const hit = document.elementFromPoint(left + width / 2, top + height / 2);
      return hit !== null && (element.contains(hit) || hit.contains(element));
    };
    const boxOf = (element: Element) => {
      const { left, top, right, bottom } = element.getBoundingClientRect();
      const after = getComputedStyle(element, '::after');
      const [width, height] = [parseFloat(after.width), parseFloat(after.height)];
      if (after.content !== '""' || after.position !== 'absolute' || width < 30 || height < 30)
        return { left, top, right, bottom };
      const [x, y] = [left + parseFloat(after.left), top + parseFloat(after.top)];
      return { left: x, top: y, right: x + width, bottom: y + height };
    };
    const targets = [...document.querySelectorAll(all)]
      .filter(isInSight)
      .map((element) => ({ element, box: boxOf(element) }));
    const missed: string[] = [];
    targets.forEach(({ element, box }, index) => {
      const [width, height] = [box.right - box.left, box.bottom - box.top];
      if (width < LEAST || height < LEAST)
        missed.push(`${name(element)} is ${Math.round(width)} × ${Math.round(height)}`);
      for (const other of targets.slice(index + 1)) {
        if (element.contains(other.element) || other.element.contains(element)) continue;
        const across = Math.min(box.right, other.box.right) - Math.max(box.left, other.box.left);
        const down = Math.min(box.bottom, other.box.bottom) - Math.max(box.top, other.box.top);
        if (across > SLACK && down > SLACK) missed.push(`${name(element)} lies over ${name(other.element)}`);
      }
    });
    return missed;
  });
