import type { Attachments } from '../attachments';
import { AttachedFiles } from './attached';
import type { ExportContext } from './context';

/** Pages are written side by side: one may show a file that another has only begun to look for. */

const viewer = { accountId: 'ines', hasGrants: false } as never;

/** Attachments that are found when the test says so. */
function slowly() {
  const waiting: (() => void)[] = [];
  const present = (_viewer: never, ids: readonly string[]) =>
    new Promise((resolve) =>
      waiting.push(() =>
        resolve(ids.map((id) => ({ id, name: `${id}.png`, media: 'image/png', path: `/there/${id}` }))),
      ),
    );
  const context = { attachments: { present } as unknown as Attachments } as ExportContext;
  const findAll = async () => {
    for (let turn = 0; turn < 10; turn += 1) {
      waiting.splice(0).forEach((find) => find());
      await new Promise((resolve) => setImmediate(resolve));
    }
  };
  return { attached: new AttachedFiles(context, viewer), findAll };
}

test('a file that two pages show is found for both, though the second asks while the first still looks', async () => {
  const { attached, findAll } = slowly();
  const looked = [['gate', 'leaf'], ['gate'], ['gate', 'hinge']].map(async (ids) => {
    await attached.look(ids);
    return attached.of(ids);
  });
  await findAll();
  expect(await Promise.all(looked)).toEqual([
    { gate: 'files/gate.png', leaf: 'files/leaf.png' },
    { gate: 'files/gate.png' },
    { gate: 'files/gate.png', hinge: 'files/hinge.png' },
  ]);
  expect(attached.all()).toHaveLength(3);
});

test('where looking fails, whoever comes after may look again', async () => {
  let isBroken = true;
  const present = async (_viewer: never, ids: readonly string[]) => {
    if (isBroken) throw new Error('broken');
    return ids.map((id) => ({ id, name: `${id}.png`, media: 'image/png', path: `/there/${id}` }));
  };
  const attached = new AttachedFiles({ attachments: { present } as unknown as Attachments } as ExportContext, viewer);
  await expect(attached.look(['gate'])).rejects.toThrow('broken');
  isBroken = false;
  await attached.look(['gate']);
  expect(attached.of(['gate'])).toEqual({ gate: 'files/gate.png' });
});
