import { useAppDispatch, useAppSelector } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { liftTo, splitTo } from '../parts/partActs';
import { kindPart } from '../kinds/kindPart';
import { logPart } from '../margin/log/logPart';
import { tagPart } from '../tags/tagPart';
import { worksPart } from '../works/worksPart';
import { later } from '../../kit/later';

// Sheets that no first screen shows.
const VoiceSheet = later(async () => (await import('../attachments/VoiceSheet')).VoiceSheet, true);
const CardSheet = later(async () => (await import('../cards/CardSheet')).CardSheet, true);
const DescribeSheet = later(async () => (await import('../outline/outlineParts')).DescribeSheet, true);
const MakeSheet = later(async () => (await import('../outline/outlineParts')).MakeSheet, true);
const HolderSheet = later(async () => (await import('../parts/HolderSheet')).HolderSheet, true);
const SendSheet = later(async () => (await import('../parts/SendSheet')).SendSheet, true);
const AskSheet = later(async () => (await import('../templates/TemplateSheets')).AskSheet, true);
const TemplateOfSheet = later(async () => (await import('../templates/TemplateSheets')).TemplateOfSheet, true);
const EntrySheet = later(async () => (await import('../outline/EntrySheet')).EntrySheet, true);
const MoveSheet = later(async () => (await import('../outline/MoveSheet')).MoveSheet, true);
const TrailSheet = later(async () => (await import('../trail/TrailSheet')).TrailSheet, true);
const NamesSheet = later(async () => (await import('../names/NamesSheet')).NamesSheet, true);
const MergeSheet = later(async () => (await import('../names/MergeSheet')).MergeSheet, true);
const GoTo = later(async () => (await import('../find/GoTo')).GoTo, true);
const CalendarSheet = later(async () => (await import('../journal/CalendarSheet')).CalendarSheet, true);
const JotSheet = later(async () => (await import('../tray/part')).JotSheet, true);
const KindsOfSheet = later(kindPart('KindsOfSheet'), true);
const LogSheet = later(logPart('LogSheet'), true);
const MeetingSheet = later(kindPart('MeetingSheet'), true);
const WearSheet = later(tagPart('WearSheet'), true);
const TakeOutSheet = later(worksPart('TakeOutSheet'), true);
const TakeOutFoundSheet = later(worksPart('TakeOutFoundSheet'), true);
const KeysSheet = later(async () => (await import('../keys/KeysSheet')).KeysSheet, true);
const VisitedSheet = later(async () => (await import('../trail/VisitedSheet')).VisitedSheet, true);

/** The sheet that is open, over whatever screen is shown. */
export function OpenSheets() {
  const sheet = useAppSelector((state) => state.view.sheet);
  const dispatch = useAppDispatch();
  const onClose = () => void dispatch(sheetOpened(null));
  switch (sheet?.for) {
    case 'go':
      return <GoTo onClose={onClose} />;
    case 'calendar':
      return <CalendarSheet onClose={onClose} />;
    case 'jot':
      return <JotSheet onClose={onClose} />;
    case 'keys':
      return <KeysSheet onClose={onClose} />;
    case 'visited':
      return <VisitedSheet onClose={onClose} />;
    case 'trail':
      return <TrailSheet entryId={sheet.entryId} onClose={onClose} />;
    case 'move':
      return <MoveSheet entries={sheet.entries} onClose={onClose} />;
    case 'entry':
      return <EntrySheet key={sheet.entryId} entryId={sheet.entryId} onClose={onClose} />;
    case 'make':
      return <MakeSheet key={sheet.kind} kind={sheet.kind} parentId={sheet.parentId} onClose={onClose} />;
    case 'describe':
      return <DescribeSheet entryId={sheet.entryId} onClose={onClose} />;
    case 'takeOut':
      return <TakeOutSheet entryId={sheet.entryId} onClose={onClose} />;
    case 'takeOutFound':
      return <TakeOutFoundSheet line={sheet.line} onClose={onClose} />;
    case 'voice':
      return <VoiceSheet onClose={onClose} />;
    case 'card':
      return <CardSheet onClose={onClose} />;
    case 'send':
      return <SendSheet pageId={sheet.pageId} ids={sheet.ids} onClose={onClose} />;
    case 'liftTo': {
      const { pageId, ids } = sheet;
      const lift = ({ id }: { id: string }) => (ids ? liftTo(pageId, ids, id) : splitTo(pageId, id));
      return <HolderSheet title="Where shall the page stand?" onChoose={lift} onClose={onClose} />;
    }
    case 'template':
      return <AskSheet templateId={sheet.templateId} place={sheet.place} onClose={onClose} />;
    case 'templateOf':
      return <TemplateOfSheet entryId={sheet.entryId} onClose={onClose} />;
    case 'names':
      return <NamesSheet entryId={sheet.entryId} onClose={onClose} />;
    case 'merge':
      return <MergeSheet entryId={sheet.entryId} onClose={onClose} />;
    case 'kindsOf':
      return <KindsOfSheet entryId={sheet.entryId} onClose={onClose} />;
    case 'wear':
      return <WearSheet pageIds={sheet.pageIds} blockIds={sheet.blockIds} onClose={onClose} />;
    case 'log':
      return <LogSheet pageId={sheet.entryId} onClose={onClose} />;
    case 'meeting':
      return <MeetingSheet pageId={sheet.pageId} blockId={sheet.blockId} onClose={onClose} />;
    default:
      return null;
  }
}
