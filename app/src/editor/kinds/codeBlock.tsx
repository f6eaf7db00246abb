import { InlineView } from '../InlineView';
import { turnIntoCode } from '../outline';
import { placeProps } from '../still';
import type { KindView } from './kind';

export const codeBlock: KindView = {
  name: 'codeBlock',
  offers: [
    { words: 'Code', detail: '``` at the start of a line', also: 'program listing monospace', turn: turnIntoCode },
  ],
  Still: ({ node }) => (
    <pre className="block" {...placeProps(node)}>
      <code>
        <InlineView node={node} />
      </code>
    </pre>
  ),
};
