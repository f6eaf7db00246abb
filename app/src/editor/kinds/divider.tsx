import { solidBlock } from '@glossarion/core/document';
import { putBlock } from '../put';
import { placeProps } from '../still';
import type { KindView } from './kind';

export const divider: KindView = {
  name: 'divider',
  offers: [
    {
      words: 'Divider',
      detail: '--- and Enter',
      also: 'rule line separator',
      insert: (editor) => putBlock(editor, solidBlock('divider')),
    },
  ],
  Still: ({ node }) => <hr className="block divider" {...placeProps(node)} />,
};
