import { solidBlock } from '@glossarion/core/document';
import type { KindView } from '../../editor/kinds';
import { putBlock } from '../../editor/put';
import { placeProps } from '../../editor/still';

/** How the made-up kind of core's tests is shown and made: a measured value with its unit. */
export const measure: KindView = {
  name: 'measure',
  offers: [
    {
      words: 'Measure',
      detail: 'a value with its unit',
      also: 'number quantity',
      insert: (editor) => putBlock(editor, solidBlock('measure', { value: 0, unit: 'mm' })),
    },
  ],
  Still: ({ node }) => (
    <p className="block measure" {...placeProps(node)}>
      <data
        value={String(node.attrs?.value ?? 0)}
      >{`${String(node.attrs?.value ?? 0)} ${String(node.attrs?.unit)}`}</data>
    </p>
  ),
};
