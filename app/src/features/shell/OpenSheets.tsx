import { useAppDispatch, useAppSelector } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { VoiceSheet } from '../attachments/VoiceSheet';
import { CardSheet } from '../cards/CardSheet';
import { GoTo } from '../find/GoTo';
import { KeysSheet } from '../keys/KeysSheet';
import { EntrySheet } from '../outline/EntrySheet';
import { DescribeSheet, MakeSheet } from '../outline/MakeSheet';
import { MoveSheet } from '../outline/MoveSheet';
import { liftTo, splitTo } from '../parts/partActs';
import { LiftToSheet, SendSheet } from '../parts/SendSheet';
import { AskSheet, TemplateOfSheet } from '../templates/TemplateSheets';
import { TrailSheet } from '../trail/TrailSheet';
import { VisitedSheet } from '../trail/VisitedSheet';

/** The sheet that is open, over whatever screen is shown. */
export function OpenSheets() {
  const sheet = useAppSelector((state) => state.view.sheet);
  const dispatch = useAppDispatch();
  const onClose = () => void dispatch(sheetOpened(null));
  switch (sheet?.for) {
    case 'go':
      return <GoTo onClose={onClose} />;
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
    case 'voice':
      return <VoiceSheet onClose={onClose} />;
    case 'card':
      return <CardSheet onClose={onClose} />;
    case 'send':
      return <SendSheet pageId={sheet.pageId} ids={sheet.ids} onClose={onClose} />;
    case 'liftTo': {
      const { pageId, ids } = sheet;
      const lift = (parentId: string) => (ids ? liftTo(pageId, ids, parentId) : splitTo(pageId, parentId));
      return <LiftToSheet onChoose={lift} onClose={onClose} />;
    }
    case 'template':
      return <AskSheet templateId={sheet.templateId} place={sheet.place} onClose={onClose} />;
    case 'templateOf':
      return <TemplateOfSheet entryId={sheet.entryId} onClose={onClose} />;
    default:
      return null;
  }
}
