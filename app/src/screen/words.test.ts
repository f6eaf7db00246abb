import type { TrailStep } from '@glossarion/core/outline';
import { trailWords } from './words';

const trail = (...names: string[]): TrailStep[] => names.map((name) => ({ id: name, kind: 'page', name }));

test('a trail in a list is whole while it is short, else its ends, and no name runs on', () => {
  expect(trailWords(trail('Mill', 'Waterworks', 'Gate'))).toBe('Mill / Waterworks / Gate');
  expect(trailWords(trail('Mill', 'a', 'b', 'c', 'd', 'Gate'))).toBe('Mill / … / d / Gate');
  expect(trailWords(trail('x'.repeat(300))).length).toBeLessThanOrEqual(40);
});
