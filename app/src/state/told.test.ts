import { forgetTold, noteAnswer, noteHeard, onMissed } from './told';

/** A window asks again for what changed between an answer and the moment from which it is told of changes. */

const missed = jest.fn();
beforeEach(() => {
  forgetTold();
  missed.mockClear();
  onMissed(missed);
});

test('nothing is asked again for when nothing changed in between', () => {
  noteAnswer('4 here');
  noteAnswer('5 here');
  noteHeard('4 here');
  noteAnswer('4 here');
  noteAnswer('9 here');
  expect(missed).not.toHaveBeenCalled();
});

test('what changed between the first answer and the first word of the server is asked for', () => {
  noteAnswer('5 here');
  noteAnswer('4 here');
  noteHeard('5 here');
  expect(missed).toHaveBeenCalledTimes(1);
});

test('so it is when an answer that was begun before comes later', () => {
  noteHeard('5 here');
  noteAnswer('4 here');
  expect(missed).toHaveBeenCalledTimes(1);
});

test('a server that begins anew has told nothing of what another did', () => {
  noteAnswer('5 here');
  noteHeard('5 anew');
  expect(missed).toHaveBeenCalledTimes(1);
  noteAnswer('1 here');
  noteAnswer('6 anew');
  // The way back is seen to by itself.
  noteHeard('0 later');
  expect(missed).toHaveBeenCalledTimes(1);
});

test('answers that say nothing of it, or nonsense, are no reason', () => {
  for (const words of [null, '', 'here', '-1 here', '3']) noteAnswer(words);
  noteHeard('5 here');
  noteAnswer(null);
  expect(missed).not.toHaveBeenCalled();
});
