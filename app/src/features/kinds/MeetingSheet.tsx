import { useContext, useEffect, useState } from 'react';
import { linksIn, newId, ownWords, shownWords, type NodeJson } from '@glossarion/core/document';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { AboutMeeting, LastMeeting, Meeting } from '@glossarion/core/meetings';
import type { Act } from '@glossarion/core/acts';
import type { Field } from '@glossarion/core/kinds';
import { InlineView } from '../../editor';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { Field as TypedLine } from '../../kit/Field';
import { Sheet } from '../../kit/Sheet';
import { Tap } from '../../kit/Tap';
import { TickBox } from '../../kit/TickBox';
import { Way } from '../../kit/Way';
import { Line, Said } from '../../kit/Words';
import { AwaitedSheet } from '../../screen/AwaitedSheet';
import { open } from '../../screen/navigation';
import { linkWords } from '../../screen/words';
import { AccountContext } from '../../state/AccountContext';
import { useNotebooksQuery, usePageQuery } from '../../state/api';
import { perform } from '../../state/deeds';
import { reckoningHere } from '../../state/reckoned';
import { targetOf, useAppSelector, wantTargets } from '../../state/store';
import { setTask, ticking } from '../../state/tasks';
import type { PageInfo } from '../../state/types';
import { oneUse } from '../templates/templateActs';
import { computed } from './computed';
import { useKinds } from './known';
import { PagesSheet } from './PagesSheet';
import { useAboutMeetingQuery } from './queries';

interface MeetingSheetProps {
  /** The line that it is noted in. */
  pageId: string;
  blockId: string;
  onClose: () => void;
}

/** A meeting or call from a line: what the line says of it is filled in already, and Enter makes its page. */
export function MeetingSheet({ pageId, blockId, onClose }: MeetingSheetProps) {
  const asked = usePageQuery(pageId, { refetchOnMountOrArgChange: true });
  const info = asked.isFetching ? undefined : asked.currentData;
  const line = info?.body.content.find(({ attrs }) => attrs?.id === blockId);
  const pageOf = (id: string) => info?.targets.find((target) => target.id === id)?.pageId ?? id;
  const named = line ? [...new Set(linksIn(line).map(({ target }) => pageOf(target)))] : [];
  const today = localDay(new Date());
  const about = useAboutMeetingQuery({ ids: named.join(), today }, { skip: !line });
  if (!info || !line) {
    const gone = {
      error: { status: 404, data: { detail: 'The line is not on its page any more.' } },
      isFetching: false,
    };
    return <AwaitedSheet asked={info ? gone : asked} onClose={onClose} />;
  }
  if (!about.data) return <AwaitedSheet asked={about} onClose={onClose} />;
  return <OpenMeeting info={info} line={line} about={about.data} onClose={onClose} />;
}

interface OpenMeetingProps {
  info: PageInfo;
  line: NodeJson;
  about: AboutMeeting;
  onClose: () => void;
}

function OpenMeeting({ info, line, about, onClose }: OpenMeetingProps) {
  const { id: accountId } = useContext(AccountContext);
  const kinds = useKinds();
  const { data: notebooks = [] } = useNotebooksQuery();
  const known = useAppSelector((state) => state.targets.known);
  const today = localDay(new Date());
  const day = info.day ?? today;
  const [meeting, setMeeting] = useState<Meeting>(() =>
    reckoningHere()!.meetingFrom(line, about.named, day, day === today ? new Date().toTimeString().slice(0, 5) : null),
  );
  const [picks, setPicks] = useState<'people' | 'projects' | null>(null);
  const shown = [...meeting.people, ...meeting.projects].join(' ');
  useEffect(() => wantTargets(shown.split(' ').filter(Boolean)), [shown]);
  const { shippedFieldId, shippedKindId } = computed();
  const kindId = shippedKindId(accountId, 'meeting');
  const fieldOf = (name: string) => shippedFieldId(accountId, 'meeting', name);
  const fields = { people: kinds.field(fieldOf('Attended by')), projects: kinds.field(fieldOf('For the project')) };
  const titleOf = (id: string) => about.named.find((each) => each.id === id)?.title ?? linkWords(known[id]);
  const titles = (ids: readonly string[]) => ids.map(titleOf).join(', ');
  const change = (changes: Partial<Meeting>) => setMeeting((before) => ({ ...before, ...changes }));
  const placeId = meeting.projects[0] ?? about.place?.id ?? notebooks[0]?.id;
  const placeTitle = meeting.projects[0]
    ? titleOf(meeting.projects[0])
    : (about.place?.title ?? notebooks[0]?.name ?? '');

  const make = async () => {
    const title = meeting.title.trim();
    if (title === '' || !placeId) return;
    const id = newId();
    const template = kinds.get(kindId)?.templateId;
    const acts: Act[] = [
      {
        do: 'make',
        id,
        kind: 'page',
        parentId: placeId,
        name: title,
        kinds: [kindId],
        fields: [
          { field: fieldOf('Held on'), atom: meeting.day },
          ...(meeting.time ? [{ field: fieldOf('At'), text: meeting.time }] : []),
          ...(meeting.people.length > 0 ? [{ field: fieldOf('Attended by'), pages: [...meeting.people] }] : []),
          ...(meeting.projects.length > 0 ? [{ field: fieldOf('For the project'), pages: [...meeting.projects] }] : []),
        ],
        ...(template && { from: oneUse(template) }),
      },
      { do: 'rewrite', id: info.id, nodes: [withLink(line, id, title)], was: [line] },
    ];
    if (!(await perform(acts, `“${title}” was made beneath “${placeTitle}”.`))) return;
    onClose();
    open(`/p/${id}`);
  };

  return (
    <Sheet title="A meeting or call" onClose={onClose}>
      <TypedLine
        label="What it was about"
        hasTrouble={false}
        autoFocus
        selectTextOnFocus
        value={meeting.title}
        onChangeText={(title) => change({ title })}
        onSubmitEditing={() => void make()}
        maxLength={400}
      />
      <Part label="With" words={titles(meeting.people) || 'nobody named'} onPress={() => setPicks('people')} />
      <Part label="For the project" words={titles(meeting.projects) || 'none'} onPress={() => setPicks('projects')} />
      <TypedLine
        label={`At, on ${nearDate(meeting.day, today)}`}
        hasTrouble={false}
        value={meeting.time ?? ''}
        onChangeText={(time) => change({ time })}
        onSubmitEditing={() => void make()}
        maxLength={80}
      />
      <Line look="meeting-place">Its page stands beneath “{placeTitle}”, and this line leads to it.</Line>
      {about.last && <LastMet last={about.last} today={today} />}
      <Button label="Make the page" onPress={() => void make()} isDisabled={meeting.title.trim() === '' || !placeId} />
      {picks && fields[picks] && (
        <PagesSheet
          field={fields[picks] as Field}
          chosen={meeting[picks]}
          onChange={(pages) => change({ [picks]: pages })}
          onClose={() => setPicks(null)}
        />
      )}
    </Sheet>
  );
}

/** One thing that is known of the meeting, which opens what it can be changed by. */
function Part({ label, words, onPress }: { label: string; words: string; onPress: () => void }) {
  return (
    <Tap look="pick-one" aria-haspopup="dialog" aria-label={`${label}: ${words}`} onPress={onPress}>
      <Said>{label}</Said>
      <Said look="pick-one-value" dir="auto">
        {words}
      </Said>
    </Tap>
  );
}

/** When one last met them, and what of then is still to be done. */
function LastMet({ last: { meeting, day, people, open: tasks }, today }: { last: LastMeeting; today: string }) {
  const known = useAppSelector((state) => state.targets.known);
  useEffect(() => wantTargets(people), [people]);
  const who = people.map((id) => linkWords(known[id])).join(' and ');
  return (
    <Box look="meeting-last">
      <Line>
        You last met {who} {day === today ? 'today' : `on ${nearDate(day, today)}`}:{' '}
        <Way to={`/p/${meeting.id}`} onOpen={() => open(`/p/${meeting.id}`)} dir="auto">
          {meeting.title}
        </Way>
        {tasks.length === 0 ? '. Nothing of it is open.' : '. Still open:'}
      </Line>
      {tasks.map((task) => (
        <Line key={task.blockId} look="meeting-open">
          <TickBox
            words={ownWords(task.node)}
            state={String(task.node.attrs?.state ?? 'open')}
            onTick={() => void setTask(task.page.pageId, task.node, ticking(task.node))}
          />
          <Said dir="auto">
            <InlineView node={task.node} />
          </Said>
        </Line>
      ))}
    </Box>
  );
}

/** The line with a link to the meeting at its end; where its title stands in the line already, in a word of its own. */
function withLink(line: NodeJson, id: string, title: string): NodeJson {
  const content = line.content ?? [];
  const words = shownWords(line, (target) => linkWords(targetOf(target)));
  const isSaid = words.includes(title);
  const link: NodeJson = { type: 'pageLink', attrs: { target: id, words: isSaid ? 'meeting' : null } };
  const isBlank = words.trim() === '';
  return { ...line, content: isBlank ? [link] : [...content, { type: 'text', text: ' ' }, link] };
}
