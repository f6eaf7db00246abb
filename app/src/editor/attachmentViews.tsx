import { NodeViewWrapper, ReactNodeViewRenderer, type NodeViewProps } from '@tiptap/react';
import { useEffect, useState } from 'react';
import { FileBlock, Picture } from '@glossarion/core/document';
import { fileAddress, sizeWords } from '../features/attachments/upload';

/** Writes a word of the block into the document a moment after it was typed, and at once when the field is left. */
function useDraft(value: string, onKeep: (value: string) => void) {
  const [draft, setDraft] = useState<string | null>(null);
  useEffect(() => {
    if (draft === null) return;
    const timer = setTimeout(() => onKeep(draft), 400);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [draft]);
  return {
    value: draft ?? value,
    onChange: (event: { target: { value: string } }) => setDraft(event.target.value.replace(/\s+/gu, ' ')),
    onBlur: () => {
      if (draft !== null && draft !== value) onKeep(draft);
      setDraft(null);
    },
  };
}

const WIDTHS = [
  { words: 'Small', width: 35 },
  { words: 'Half', width: 55 },
  { words: 'Whole', width: 100 },
  { words: 'Own size', width: null },
];

const shared = (node: NodeViewProps['node']) => ({
  id: node.attrs.id ? `b-${String(node.attrs.id)}` : undefined,
  'data-depth': String(node.attrs.depth ?? 0),
  'data-tint': (node.attrs.tint as string | null) ?? undefined,
  style: { '--depth': String(node.attrs.depth ?? 0) } as React.CSSProperties,
  contentEditable: false,
});

function PictureBlock({ node, updateAttributes, selected, editor }: NodeViewProps) {
  const { file, name, alt, caption, width } = node.attrs as Record<string, string> & { width: number | null };
  const altDraft = useDraft(alt ?? '', (value) => updateAttributes({ alt: value }));
  const captionDraft = useDraft(caption ?? '', (value) => updateAttributes({ caption: value }));
  const isOpen = selected && editor.isEditable;
  return (
    <NodeViewWrapper {...shared(node)} className="picture" data-selected={selected || undefined}>
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

const canShowPdf = (): boolean => navigator.pdfViewerEnabled && window.innerWidth >= 720;

function FileView({ node, updateAttributes, selected }: NodeViewProps) {
  const { file, name, media, size, caption } = node.attrs as Record<string, string> & { size: number };
  const captionDraft = useDraft(caption ?? '', (value) => updateAttributes({ caption: value }));
  const address = file ? fileAddress(file, name ?? '') : undefined;
  return (
    <NodeViewWrapper {...shared(node)} className="file" data-selected={selected || undefined}>
      {media?.startsWith('audio/') && <audio controls preload="metadata" src={address} aria-label={name} />}
      {media === 'application/pdf' && canShowPdf() && <iframe src={address} title={name} loading="lazy" />}
      <div className="file-line">
        <a href={address} target="_blank" rel="noopener" download={media === 'application/pdf' ? undefined : name}>
          {name || 'File'}
        </a>
        <span>{sizeWords(Number(size))}</span>
      </div>
      {(caption || selected) && (
        <input className="caption" aria-label="Caption" placeholder="Caption" {...captionDraft} />
      )}
    </NodeViewWrapper>
  );
}

/** Fields and buttons within are the interface’s, not the text’s. */
const ownEvents = {
  stopEvent: ({ event }: { event: Event }) =>
    !/^drag|^drop/u.test(event.type) &&
    event.target instanceof Element &&
    event.target.closest('input, button, audio, a, iframe') !== null,
  ignoreMutation: () => true,
};

export const PictureWithView = Picture.extend({
  addNodeView: () => ReactNodeViewRenderer(PictureBlock, ownEvents),
});

export const FileWithView = FileBlock.extend({
  addNodeView: () => ReactNodeViewRenderer(FileView, ownEvents),
});
