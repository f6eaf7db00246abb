import { useRef, useState } from 'react';
import type { BodyJson } from '@glossarion/core/document';
import { usePageDocument } from '../../documents/session';
import { PageEditor } from '../../editor/PageEditor';
import { TitleField } from '../../editor/TitleField';
import { useEntryQuery } from '../../state/api';
import { Action } from '../shell/Action';
import { Loading } from '../shell/Loading';
import { open, openTarget } from '../shell/navigation';
import { Trouble } from '../shell/Trouble';
import { trailWords } from '../trail/words';
import { colour } from '../../theme/tokens';
import { Words } from '../shell/Words';
import { putAwayBeside } from './besideActs';

/** A second page beside the one that is shown: to be read, or written, while the other is. */
export function BesidePage({ pageId }: { pageId: string }) {
  const { currentData: info } = useEntryQuery(pageId);
  const page = usePageDocument(pageId, info?.day ?? null);
  const text = useRef<HTMLDivElement>(null);
  const [, setBody] = useState<BodyJson | null>(null);
  const trail = info?.trail ?? [];
  return (
    <aside className="beside" aria-label={info ? `Beside: ${info.title}` : 'Beside'}>
      <div className="beside-head">
        <Words tone={colour.soft} numberOfLines={1} style={{ flex: 1, minWidth: 0 }}>
          {trailWords(trail)}
        </Words>
        <Action
          label="Change sides"
          tone={colour.soft}
          onPress={() => {
            open(info?.day ? `/day/${info.day}` : `/p/${pageId}`);
            putAwayBeside();
          }}
        />
        <Action label="Put away" tone={colour.soft} onPress={putAwayBeside} />
      </div>
      {page?.missing ? (
        <Trouble title="Not here" sentence={page.missing} />
      ) : page?.isReady && info ? (
        <>
          {info.day ? (
            <h1 className="title">{info.title}</h1>
          ) : (
            <TitleField page={page} hasFocus={false} onDone={() => undefined} />
          )}
          <div ref={text} className="page-body">
            <PageEditor
              page={page}
              place={{ pageId, parentId: info.parentId, trail, title: info.title }}
              label={`Text of ${info.title}`}
              onOpen={openTarget}
              onBody={setBody}
              text={text}
              isMain={false}
            />
          </div>
        </>
      ) : (
        <Loading />
      )}
    </aside>
  );
}
