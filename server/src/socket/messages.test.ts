import { newId } from '@glossarion/core/document';
import { readMessage } from './messages';

test('what a window says is read, with what it leaves out', () => {
  const page = newId();
  expect(readMessage(JSON.stringify({ type: 'open', page }))).toEqual({ type: 'open', page, day: null, vector: null });
  const update = { type: 'update', page, day: '2024-02-29', epoch: 1, number: 0, update: 'AAA=' };
  expect(readMessage(JSON.stringify(update))).toEqual(update);
});

test.each([
  '',
  'null',
  '{"type":"toString"}',
  '{"type":"open"}',
  '{"type":"open","page":"not an id"}',
  `{"type":"open","page":"${newId()}","day":"2026-02-30"}`,
  `{"type":"update","page":"${newId()}","epoch":0,"number":1,"update":"AAA="}`,
  `{"type":"update","page":"${newId()}","epoch":1,"number":1,"update":"no base64"}`,
  `{"type":"close","page":"${newId()}","more":1}`,
])('%s is not understood', (data) => {
  expect(readMessage(data)).toBeNull();
});

test('7 a message as long as one may be is read, and one byte that is no base64 is found in it', () => {
  const update = 'AAAA'.repeat(1_990_000);
  const message = { type: 'part', page: newId(), number: 0 };
  expect(readMessage(JSON.stringify({ ...message, update }))?.type).toBe('part');
  expect(readMessage(JSON.stringify({ ...message, update: `${update}AA-A` })) === null).toBe(true);
  expect(readMessage(JSON.stringify({ ...message, update: `${update}AA` })) === null).toBe(true);
});
