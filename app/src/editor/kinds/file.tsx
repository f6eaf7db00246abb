import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { windowWidth } from '../../theme/rem';
import { measure } from '../../theme/tokens';
import { fileAddress, sizeWords } from '../../state/upload';
import { pickAndAttach } from '../attach';
import { putBySheet } from '../awaiting';
import { pickCalendarFile } from '../calendarFiles';
import { blockProps, inControls, withReactView } from '../nodeView';
import { placeProps } from '../still';
import { useDraft } from '../useDraft';
import type { KindView, StillProps } from './kind';

const canShowPdf = (): boolean => navigator.pdfViewerEnabled && windowWidth() >= measure.wide;

function FileBlock(props: NodeViewProps) {
  const { node, updateAttributes, selected } = props;
  const { file, name, media, size, caption } = node.attrs as Record<string, string> & { size: number };
  const captionDraft = useDraft(caption ?? '', (value) => updateAttributes({ caption: value }));
  const address = file ? fileAddress(file, name ?? '') : undefined;
  return (
    <NodeViewWrapper {...blockProps(props)} className="file">
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

function StillFile({ node }: StillProps) {
  const { file, name = '', media = '', size = 0, caption } = node.attrs ?? {};
  const address = fileAddress(String(file), String(name));
  return (
    <div className="file" {...placeProps(node)}>
      {String(media).startsWith('audio/') && <audio controls preload="none" src={address} aria-label={String(name)} />}
      <div className="file-line">
        <a href={address} target="_blank" rel="noopener">
          {String(name || 'File')}
        </a>
        <span>{sizeWords(Number(size))}</span>
      </div>
      {caption ? <div className="caption">{String(caption)}</div> : null}
    </div>
  );
}

export const file: KindView = {
  name: 'file',
  offers: [
    {
      words: 'File',
      detail: 'a PDF, a sound, anything',
      also: 'attachment pdf document audio',
      insert: pickAndAttach(''),
    },
    {
      words: 'Voice note',
      detail: 'recorded here',
      also: 'sound audio record microphone memo',
      insert: putBySheet('voice'),
    },
    {
      words: 'Events of the day',
      detail: 'from a calendar file (.ics), with their times',
      also: 'calendar ics meetings appointments',
      insert: pickCalendarFile,
    },
  ],
  withView: (node) => withReactView(node, FileBlock, inControls),
  Still: StillFile,
};
