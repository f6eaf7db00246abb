import { judged, judgedLater } from '../margin/placing/judged';
import { readGloss, ReadPage } from '../margin/placing/placement';
import type { ReadGloss } from '../margin/placing/parts';
import { WEIGHTS, type Weights } from '../margin/placing/weights';
import { demoRarity, halfOf, judgedCase } from './judgedMargins';

/**
 * Looks for the weights of placing (margin/placing/weights.ts) on half of the judged glosses, and says what they make of the
 * other half. It prints; what it finds is written down by hand, rounded, once it was looked at.
 */

interface Sample {
  page: ReadPage;
  gloss: ReadGloss;
  /** Whether a line, by its place, is the one that a reader chose; none is when they chose the head. */
  isRight: readonly boolean[];
  half: 'tuned' | 'held';
}

const NAMES = Object.keys(WEIGHTS) as (keyof Weights)[];
const half = halfOf([...judged, ...judgedLater]);
const samples = [...judged, ...judgedLater].map(judgedCase).map((each): Sample => {
  const { subject, reference, shown, beside } = each;
  const isRight = subject.lines.map(({ id }) => beside !== null && shown.get(id)!.startsWith(beside));
  return {
    page: new ReadPage(subject, demoRarity),
    gloss: readGloss(subject.id, reference!),
    isRight,
    half: half(each),
  };
});

/** How far what a reader chose is ahead of everything else; negative when something else is chosen. */
function lead({ page, gloss, isRight }: Sample, weights: Weights): number {
  const { needed } = page.place(gloss, weights);
  const isHead = !isRight.includes(true);
  let right = isHead ? needed : -Infinity;
  let wrong = isHead ? -Infinity : needed;
  page.scores(gloss, weights).forEach((score, place) => {
    if (isRight[place]) right = Math.max(right, score);
    else wrong = Math.max(wrong, score);
  });
  return right - wrong;
}

const SOFTNESS = 0.3;
/** How much weights are held to what they were: few glosses can't tell much. */
const HELD_TO = 0.01;
const first = WEIGHTS;

/** The logistic loss: smooth, so that a weight which barely errs is told from one that errs far. */
const loss = (weights: Weights, of: readonly Sample[]): number =>
  of.reduce((sum, each) => sum + Math.log(1 + Math.exp(-lead(each, weights) / SOFTNESS)), 0) / of.length +
  HELD_TO * NAMES.reduce((sum, name) => sum + Math.log(weights[name] / first[name]) ** 2, 0);
const agreeing = (weights: Weights, of: readonly Sample[]): number =>
  of.filter((each) => lead(each, weights) >= 0).length;

const STEPS = [0.5, 0.75, 0.9, 1.1, 1.3, 1.8];
const ROUNDS = 8;
const ENOUGH = 1e-4;

/** Changes one weight after the other as long as that makes it better (coordinate descent). */
function tuned(from: Weights, of: readonly Sample[]): Weights {
  let weights = from;
  let best = loss(weights, of);
  for (let round = 0; round < ROUNDS; round += 1) {
    const before = best;
    for (const name of NAMES) {
      for (const step of STEPS) {
        const tried = { ...weights, [name]: weights[name] * step };
        const found = loss(tried, of);
        if (found < best - ENOUGH) [weights, best] = [tried, found];
      }
    }
    if (before - best < ENOUGH) break;
  }
  return weights;
}

const say = (words: string) => void process.stdout.write(`${words}\n`);
const shown = (weights: Weights) =>
  Object.entries(weights)
    .map(([name, weight]) => `${name} ${Number(weight).toFixed(3)}`)
    .join(', ');
const sets = {
  tuned: samples.filter((each) => each.half === 'tuned'),
  held: samples.filter((each) => each.half === 'held'),
};
const report = (name: string, weights: Weights) =>
  say(
    `${name}: ${agreeing(weights, sets.tuned)} of ${sets.tuned.length} tuned on, ` +
      `${agreeing(weights, sets.held)} of ${sets.held.length} held back`,
  );

report('as they are', WEIGHTS);
const found = tuned(WEIGHTS, sets.tuned);
report('tuned', found);
say(shown(found));
for (const name of NAMES) report(`without ${name}`, { ...WEIGHTS, [name]: 1e-6 });
