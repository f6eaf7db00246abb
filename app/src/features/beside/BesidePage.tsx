import { useRef, useState } from 'react';
import type { BodyJson } from '@glossarion/core/document';
import { usePageDocument } from '../../documents/session';
import { PageEditor, TitleField } from '../../editor';
import { PageFields, useFields } from '../kinds/useFields';
import { lineActs } from '../parts/lineActs';
import { useEntryQuery } from '../../state/api';
import { Action } from '../../kit/Action';
import { Loading } from '../../kit/Loading';
import { open, openTarget } from '../../screen/navigation';
import { Trouble } from '../../kit/Trouble';
import { trailWords } from '../../screen/words';
import { colour } from '../../theme/tokens';
import { Heading, Words } from '../../kit/Words';
import { putAwayBeside } from './besideActs';
import { Box } from '../../kit/Box';

/** A second page beside the one that is shown: to be read, or written, while the other is. */
export function BesidePage({ pageId }: { pageId: string }) {
  const { currentData: info } = useEntryQuery(pageId);
  const page = usePageDocument(pageId, info?.day ?? null);
  const { hasFields, isTextReady } = useFields(page);
  const text = useRef<HTMLDivElement>(null);
  const [, setBody] = useState<BodyJson | null>(null);
  const trail = info?.trail ?? [];
  return (
    <Box role="complementary" look="beside" aria-label={info ? `Beside: ${info.title}` : 'Beside'}>
      <Box look="beside-head">
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
      </Box>
      {page?.missing ? (
        <Trouble title="Not here" sentence={page.missing} />
      ) : page?.isReady && isTextReady && info ? (
        <>
          {info.day ? (
            <Heading level={1} look="title">
              {info.title}
            </Heading>
          ) : (
            <TitleField page={page} hasFocus={false} onDone={() => undefined} />
          )}
          {hasFields && <PageFields page={page} />}
          <Box ref={text} look="page-body">
            <PageEditor
              page={page}
              place={{ pageId, parentId: info.parentId, trail, title: info.title }}
              label={`Text of ${info.title}`}
              onOpen={openTarget}
              lines={lineActs}
              onBody={setBody}
              text={text}
              isMain={false}
            />
          </Box>
        </>
      ) : (
        <Loading />
      )}
    </Box>
  );
}
