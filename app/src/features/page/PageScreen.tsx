import { useEffect, useMemo, useRef, useState } from 'react';
import { Redirect } from 'expo-router';
import { Pressable, View } from 'react-native';
import { isId, wornTags, type BodyJson } from '@glossarion/core/document';
import { dayTitle, localDay, nearDate } from '@glossarion/core/journal';
import { SEASON_WORDS } from '@glossarion/core/outline';
import { usePageDocument } from '../../documents/session';
import { PageEditor, TagText, TitleField } from '../../editor';
import { kindPart } from '../kinds/kindPart';
import { PageFields, useFields } from '../kinds/useFields';
import { lineActs } from '../parts/lineActs';
import { api, useBlockPlaceQuery, usePageQuery } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/store';
import type { PageInfo } from '../../state/types';
import { marginToggled } from '../../state/view';
import { colour, measure } from '../../theme/tokens';
import { DayScreen } from '../journal/DayScreen';
import { SwitchBar } from '../beside/SwitchBar';
import { Leaves } from '../leaves/Leaves';
import { MarginColumn } from '../margin/MarginColumn';
import { MarginCounts } from '../margin/MarginCounts';
import { MarginSheet } from '../margin/MarginSheet';
import { useMargin } from '../margin/useMargin';
import { useMarginSheet } from '../margin/useMarginSheet';
import { around, later } from '../../kit/later';
import { Loading } from '../../kit/Loading';
import { followLink } from '../../screen/followLink';
import { leaveOut, open, openTarget } from '../../screen/navigation';
import { SavingSign } from '../../screen/SavingSign';
import { Screen } from '../../screen/Screen';
import { Trouble } from '../../kit/Trouble';
import { useRoom } from '../../screen/useRoom';
import { useTitle } from '../../screen/useTitle';
import { Line, Said, Words } from '../../kit/Words';
import { PageTasks } from '../tasks/PageTasks';
import { PhoneTrail, Trail } from '../trail/Trail';
import { KeptCopies } from '../../screen/KeptCopies';
import { LongPage } from './LongPage';
import { useLanding } from '../../screen/useLanding';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';

const HomePages = around(kindPart('HomePages'));
// What is asked for, and stands on no first screen.
const BesidePage = later(async () => (await import('../beside/BesidePage')).BesidePage);
const PageSheet = later(async () => (await import('./PageSheet')).PageSheet, true);

interface PageScreenProps {
  pageId: string;
  /** The block to land on. */
  blockId?: string | null;
  /** Whether the page was just made and waits for its title. */
  isNew?: boolean;
}

/** A page with its trail, its text and its Margin. */
export function PageScreen({ pageId, blockId = null, isNew = false }: PageScreenProps) {
  const { currentData: info, isError, error, refetch } = usePageQuery(pageId);
  if (info?.mergedInto) return <Redirect href={`/p/${info.mergedInto}` as never} />;
  if (info?.day) return <DayScreen day={info.day} blockId={blockId} />;
  const isMissing = !isId(pageId) || (isError && (error as { status?: unknown }).status === 404);
  if (isMissing) return <MissingPage pageId={pageId} />;
  return (
    <OpenPage
      key={pageId}
      pageId={pageId}
      info={info ?? null}
      blockId={blockId}
      isNew={isNew}
      onRetry={() => void refetch()}
    />
  );
}

/** A page that is not there: its lines may have been set back into another, which its address leads to then. */
function MissingPage({ pageId }: { pageId: string }) {
  const { currentData: place, isError } = useBlockPlaceQuery(pageId, { skip: !isId(pageId) });
  if (place?.pageId) return <Redirect href={`/b/${pageId}` as never} />;
  return (
    <Screen label="Page">
      {isId(pageId) && !place && !isError ? (
        <Loading />
      ) : (
        <Trouble
          title="Not here"
          sentence="There is no such page in this account. It may have been deleted for good, or the address is not whole."
          action={{ label: 'Open Today', onPress: () => open('/today') }}
        />
      )}
    </Screen>
  );
}

interface OpenPageProps {
  pageId: string;
  info: PageInfo | null;
  blockId: string | null;
  isNew: boolean;
  onRetry: () => void;
}

function OpenPage({ pageId, info, blockId, isNew: isMadeNow }: OpenPageProps) {
  const page = usePageDocument(pageId, null);
  const [isNew] = useState(isMadeNow);
  const { hasFields, isTextReady } = useFields(page);
  const isTitleShown = page?.isReady === true && isTextReady;
  useEffect(() => {
    // Whoever comes back to it, or loads it anew, goes on where they were.
    if (isMadeNow && isTitleShown) leaveOut('at');
  }, [isMadeNow, isTitleShown]);
  const [body, setBody] = useState<BodyJson | null>(null);
  const [focus, setFocus] = useState<string | null>(null);
  const sheet = useMarginSheet(pageId);
  const [isMenuOpen, setMenuOpen] = useState(false);
  const text = useRef<HTMLDivElement>(null);
  const margin = useMargin(pageId, body);
  const dispatch = useAppDispatch();
  const besideId = useAppSelector((state) => state.view.besideId);
  const keptId = besideId === pageId ? null : besideId;
  const isOffline = useAppSelector((state) => state.view.saving === 'offline');
  const isHiddenHere = margin.view.isHidden === true;
  const isMarginHidden = useAppSelector((state) => state.view.isMarginAway) || isHiddenHere;
  const { isWide, isTextOnly, hasMargin, hasBeside } = useRoom(pageId, isHiddenHere);
  useVisit(pageId, info !== null);
  useLanding(blockId, body !== null);

  useTitle(info?.title ?? null);

  /** At once, so that what is typed next stands in the text. */
  const goOnInText = () => {
    text.current?.querySelector<HTMLElement>('.writing')?.focus();
    setFocus('start');
  };
  const tags = useMemo(() => tagsOf(body), [body]);
  const trail = info?.trail ?? [];
  const place = {
    pageId,
    parentId: info?.parentId ?? null,
    trail,
    title: info?.title ?? '',
  };

  return (
    <Screen label={info?.title ?? 'Page'} hasText={!page?.missing}>
      <Box look="page" dataSet={{ wide: isWide, beside: hasBeside || undefined }}>
        <Box look="page-column">
          {!isTextOnly && (
            <View
              style={{
                flexDirection: 'row',
                flexWrap: isWide ? 'nowrap' : 'wrap',
                alignItems: 'center',
                columnGap: 12,
              }}
            >
              {isWide ? (
                <Trail entryId={pageId} trail={trail} title={info?.title ?? ''} standsIn={info?.standsIn} />
              ) : (
                <PhoneTrail entryId={pageId} trail={trail} standsIn={info?.standsIn} />
              )}
              <MenuButton onPress={() => setMenuOpen(true)} />
            </View>
          )}
          {!hasBeside && !isTextOnly && keptId && <SwitchBar besideId={keptId} hereId={pageId} />}
          {info && !isTextOnly && <Leaves info={info} />}
          <Box look="page-text">
            {page?.isReady && isTextReady ? (
              <>
                <TitleField page={page} hasFocus={isNew} onDone={goOnInText} />
                <PageMeta info={info} tags={tags} hasSign={!isWide} />
                {hasFields && <PageFields page={page} />}
                <KeptCopies pageId={pageId} />
                <LongPage pageId={pageId} body={body} />
                <Box ref={text} look="page-body">
                  <PageEditor
                    page={page}
                    place={place}
                    label={info?.title ? `Text of ${info.title}` : 'Text'}
                    onOpen={openTarget}
                    lines={lineActs}
                    onBody={setBody}
                    text={text}
                    focus={focus}
                    spokenOf={isHiddenHere ? undefined : margin.spokenOf}
                  />
                  {!hasMargin && !isHiddenHere && <MarginCounts margin={margin} text={text} onOpen={sheet.showLine} />}
                </Box>
                <PageTasks pageId={pageId} />
                <HomePages pageId={pageId} />
              </>
            ) : page?.missing ? (
              <Trouble title="Not here" sentence={page.missing} />
            ) : isOffline ? (
              <Trouble
                title="Not reached"
                sentence="This page was not opened in this browser before. It is shown as soon as the server can be reached."
              />
            ) : (
              <Loading />
            )}
          </Box>
        </Box>
        {hasMargin && <MarginColumn margin={margin} title={info?.title ?? ''} text={text} />}
        {isMarginHidden && isWide && !isTextOnly && !hasBeside && (
          <Tap
            look="margin-hidden"
            onPress={() => (isHiddenHere ? margin.change({ isHidden: false }) : dispatch(marginToggled()))}
          >
            {isHiddenHere ? 'Margin hidden here' : 'Margin put away'} · {margin.total} linked
          </Tap>
        )}
        {hasBeside && keptId && <BesidePage key={keptId} pageId={keptId} />}
      </Box>
      {!hasMargin && !isTextOnly && !hasBeside && !(isWide && isMarginHidden) && !isHiddenHere && (
        <MarginSheet margin={margin} title={info?.title ?? ''} drawn={sheet.drawn} onToggle={sheet.toggle} />
      )}
      {isMenuOpen && (
        <PageSheet
          pageId={pageId}
          title={page?.document.getText('title').toString() || 'Page'}
          info={info}
          content={body?.content ?? []}
          glosses={margin.glosses}
          onShowMargin={isHiddenHere ? () => margin.change({ isHidden: false }) : null}
          onClose={() => setMenuOpen(false)}
        />
      )}
    </Screen>
  );
}

/** Notes that a page was opened, for the pages opened last. */
function useVisit(pageId: string, isShown: boolean): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (isShown) void dispatch(api.endpoints.visit.initiate(pageId));
  }, [dispatch, pageId, isShown]);
}

/** What opens the menu of the page that is shown, for the key that does. */
const PAGE_MENU = 'page-menu';

function MenuButton({ onPress }: { onPress: () => void }) {
  return (
    <Pressable
      role="button"
      id={PAGE_MENU}
      onPress={onPress}
      style={{
        minHeight: measure.touch,
        minWidth: measure.touch,
        justifyContent: 'center',
        paddingRight: 18,
        paddingLeft: 8,
      }}
    >
      <Words tone={colour.soft}>Page</Words>
    </Pressable>
  );
}

interface PageMetaProps {
  info: PageInfo | null;
  tags: readonly string[];
  /** Whether it tells how far what was written has come, where nothing else does. */
  hasSign: boolean;
}

function PageMeta({ info, tags, hasSign }: PageMetaProps) {
  if (!info) return <Line look="page-meta">{'\u00a0'}</Line>;
  const begun = localDay(new Date(info.begunAt));
  const changed = localDay(new Date(info.changedAt));
  return (
    <Line look="page-meta">
      <Said>
        Begun <DayOf day={begun} />
        {changed !== begun && (
          <>
            , changed <DayOf day={changed} />
          </>
        )}
      </Said>
      {info.isDeleted && <Said look="page-state">in the bin</Said>}
      {SEASON_WORDS[info.season] && <Said look="page-state">{SEASON_WORDS[info.season]}</Said>}
      {info.names.length > 0 && <Said look="page-names">also {info.names.join(', ')}</Said>}
      {tags.length > 0 && (
        <Said look="page-tags" onClick={followLink}>
          {tags.map((tag) => (
            <TagText key={tag} tag={tag} />
          ))}
        </Said>
      )}
      {hasSign && (
        <Said look="page-saving">
          <SavingSign />
        </Said>
      )}
    </Line>
  );
}

/** A day in few words, which leads to what else happened on it. */
function DayOf({ day }: { day: string }) {
  const today = localDay(new Date());
  const words = day.slice(0, 4) === today.slice(0, 4) ? dayTitle(day).replace(/^\S+ /u, '') : nearDate(day, today);
  return (
    <Way to={`/day/${day}`} onOpen={() => open(`/day/${day}`)}>
      {day === today ? 'today' : words}
    </Way>
  );
}

/** The first tags that lines of a page wear; its own stand beneath its title already. */
function tagsOf(body: BodyJson | null): string[] {
  const { own, others } = wornTags(body?.content ?? []);
  return others.filter((tag) => !own.includes(tag)).slice(0, 6);
}
