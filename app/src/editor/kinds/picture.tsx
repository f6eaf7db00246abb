import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { fileAddress } from '../../state/upload';
import { pickAndAttach } from '../attach';
import { blockProps, inControls, withReactView } from '../nodeView';
import { placeProps } from '../still';
import { useDraft } from '../useDraft';
import type { KindView, StillProps } from './kind';

const WIDTHS = [
  { words: 'Small', width: 35 },
  { words: 'Half', width: 55 },
  { words: 'Whole', width: 100 },
  { words: 'Own size', width: null },
];

function PictureBlock(props: NodeViewProps) {
  const { node, updateAttributes, selected, editor } = props;
  const { file, name, alt, caption, width } = node.attrs as Record<string, string> & { width: number | null };
  const altDraft = useDraft(alt ?? '', (value) => updateAttributes({ alt: value }));
  const captionDraft = useDraft(caption ?? '', (value) => updateAttributes({ caption: value }));
  const isOpen = selected && editor.isEditable;
  return (
    <NodeViewWrapper {...blockProps(props)} className="picture">
      {file ? (
        <img
          src={fileAddress(file, name ?? '')}
          alt={alt || caption || name}
          style={{ width: width ? `${width}%` : undefined }}
          draggable={false}
        />
      ) : (
        <div className="picture-coming" role="status">
          The picture is on its way …
        </div>
      )}
      {(caption || isOpen) && (
        <input className="caption" aria-label="Caption" placeholder="Caption" {...captionDraft} />
      )}
      {isOpen && (
        <div className="picture-tools">
          <input aria-label="What it shows, in words" placeholder="What it shows, in words" {...altDraft} />
          <div role="group" aria-label="Width">
            {WIDTHS.map((each) => (
              <button
                key={each.words}
                type="button"
                aria-pressed={width === each.width}
                onMouseDown={(event) => event.preventDefault()}
                onClick={() => updateAttributes({ width: each.width })}
              >
                {each.words}
              </button>
            ))}
          </div>
        </div>
      )}
    </NodeViewWrapper>
  );
}

function StillPicture({ node }: StillProps) {
  const { file, name = '', alt, caption, width } = node.attrs ?? {};
  return (
    <figure className="picture" {...placeProps(node)}>
      {file ? (
        <img
          src={fileAddress(String(file), String(name))}
          alt={String(alt || caption || name)}
          style={{ width: width ? `${Number(width)}%` : undefined }}
          loading="lazy"
        />
      ) : null}
      {caption ? <figcaption className="caption">{String(caption)}</figcaption> : null}
    </figure>
  );
}

export const picture: KindView = {
  name: 'picture',
  offers: [
    {
      words: 'Picture',
      detail: 'picked, dropped or pasted',
      also: 'image photo photograph',
      insert: pickAndAttach('image/*'),
    },
  ],
  withView: (node) => withReactView(node, PictureBlock, inControls),
  Still: StillPicture,
};
