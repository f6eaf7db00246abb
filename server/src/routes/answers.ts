import Joi from 'joi';
import type { AlsoNamedLine, AlsoNamedLines } from '@glossarion/core/alsoNamed';
import type { BinnedEntry, Breaks } from '@glossarion/core/bin';
import type { Desk, ForgottenPage } from '@glossarion/core/desk';
import {
  HOW,
  type Finding,
  type Found,
  type FoundCount,
  type FoundCounts,
  type FoundLine,
  type Reading,
  type Remark,
  type SavedSearch,
} from '@glossarion/core/find';
import type { ImportReport, PresentPage } from '@glossarion/core/formats/markdown';
import type { AroundDay, CalendarDay, DayPage, EarlierYear, PeriodPage } from '@glossarion/core/journal';
import type { KinFound, KinShown } from '@glossarion/core/kin';
import { type Glimpse, type LinkableLine } from '@glossarion/core/links';
import {
  JOTTING_STATES,
  ORNAMENTS,
  type Contents,
  type ContentsEntry,
  type EntryInfo,
  type SeasonGroup,
} from '@glossarion/core/outline';
import type { Pickable } from '@glossarion/core/pickables';
import type { BroughtForward, TaskCounts, TaskGroup, TaskList } from '@glossarion/core/tasks';
import type { TemplateInfo } from '@glossarion/core/templates';
import type { Jotting, Tray } from '@glossarion/core/tray';
import {
  EXPORT_FORMS,
  WORK_SORTS,
  WORK_STATES,
  type ImportPreview,
  type Work,
  type WorkFile,
} from '@glossarion/core/works';
import type { Attachment } from '../services/attachments';
import type { NameChanges } from '../services/pickables';
import {
  all,
  list,
  id,
  text,
  count,
  yesNo,
  bit,
  moment,
  date,
  entryKind,
  pigment,
  season,
  ownSeason,
  node,
  body,
  shownTask,
  standsIn,
  step,
  targetKeys,
  target,
  targets,
  pieces,
  someActs,
} from './answerForms';

export { target, targets };
export * from './kindAnswers';
export * from './marginAnswers';
export * from './replaceAnswers';
export * from './reviewAnswers';
export * from './tagAnswers';

/**
 * What routes answer: of these the description of the interface is made, and tests hold each answer against them. An
 * entry is needed for each thing that the type of an answer has.
 */

const who = Joi.object({ id: id.required(), name: text.required() });
export const signedIn = Joi.object({ account: who.required() });
export const session = Joi.object({
  account: who.allow(null).required(),
  isDemo: yesNo.required(),
  signUp: Joi.string().valid('yes', 'with an invitation', 'no'),
});

export const actsDone = Joi.object({
  undo: someActs.required(),
  targets: targets.required(),
});

const entryKeys: { [K in keyof ContentsEntry]: Joi.Schema } = {
  id,
  parentId: id.allow(null),
  kind: entryKind,
  name: text,
  firstWords: text,
  pigment: pigment.allow(null),
  ornament: Joi.string()
    .valid(...ORNAMENTS)
    .allow(null),
  description: text,
  changedAt: moment,
  wordCount: count,
  season: ownSeason.allow(null),
  showsLeaves: bit,
  pagesBeneath: count,
  sectionsBeneath: count,
  isOpen: yesNo,
};
const contentsEntry = all<ContentsEntry>(entryKeys);
export const contentsEntries = list(contentsEntry);
export const contents = all<Contents>({
  entries: contentsEntries,
  seasons: list(all<SeasonGroup>({ season: ownSeason, isOpen: yesNo, count, pages: count, roots: contentsEntries })),
});

const jottingState = Joi.string().valid(...JOTTING_STATES);
const jotting = all<Jotting>({
  id,
  begunAt: moment,
  jotting: jottingState,
  comesBack: date.allow(null),
  nodes: list(node),
});
export const tray = all<Tray>({ jottings: list(jotting), more: count, targets });

const { isOpen: _isOpen, ...beneathKeys } = entryKeys;
export const beneath = list(all<Omit<ContentsEntry, 'isOpen'>>(beneathKeys));

const { firstWords: _firstWords, ...ofBoth } = beneathKeys;
const infoKeys: { [K in keyof EntryInfo]: Joi.Schema } = {
  ...ofBoth,
  title: text,
  trail: list(step),
  day: date.allow(null),
  period: text.allow(null),
  jotting: jottingState.allow(null),
  comesBack: date.allow(null),
  standsIn,
  isDeleted: yesNo,
  season,
  ownSeason: ownSeason.allow(null),
  isTemplate: bit,
  templateId: id.allow(null),
  madeFrom: id.allow(null),
  begunAt: moment,
  names: list(text),
  mergedInto: id.allow(null),
};
export const entryInfo = all<EntryInfo>(infoKeys);
export const page = all<EntryInfo & { body: unknown; targets: unknown }>({ ...infoKeys, body, targets });
export const blockPlace = Joi.object({ pageId: id.allow(null).required(), blockId: id.allow(null).required() });

export const bin = list(
  all<BinnedEntry>({
    ...targetKeys,
    deletedAt: moment,
    pagesBeneath: count,
    sectionsBeneath: count,
    withId: id.allow(null),
    withTitle: text.allow(null),
  }),
);
export const breaks = all<Breaks>({
  pages: count,
  sections: count,
  links: count,
  from: list(Joi.object({ page: target.required(), links: count.required() })),
});
export const emptied = Joi.object({ gone: count.required() });

const deskTasks = list(Joi.object({ blockId: id.required(), page: target.required(), node: node.required() }));
export const desk = all<Desk>({
  pins: targets,
  recent: targets,
  week: targets,
  tasks: deskTasks,
  due: deskTasks,
  tray: list(jotting),
  waiting: count,
  forgotten: list(all<ForgottenPage>({ target, openTasks: count, seenAt: moment })),
  unwritten: list(Joi.object({ target: target.required(), links: count.required() })),
  targets,
});

export const alsoNamed = all<AlsoNamedLines>({
  count,
  lines: list(
    all<AlsoNamedLine>({
      trail: list(step),
      pigment: pigment.allow(null),
      day: date.allow(null),
      standsIn,
      pageId: id,
      blockId: id,
      pageTitle: text,
      changedAt: moment,
      node,
      // Which of the texts of the line, and from where to where in it, in UTF-16 units.
      places: list(Joi.array().ordered(count.required(), count.required(), count.required())),
    }),
  ),
  targets,
});

export const kin = all<KinFound>({
  kin: list(
    all<KinShown>({
      target,
      likeness: Joi.number().min(0),
      words: list(text),
      links: list(text),
      tags: list(text),
    }),
  ),
  isPending: yesNo,
});

export const lines = list(all<LinkableLine>({ blockId: id, words: text, kind: text }));
export const glimpse = all<Glimpse>({
  target,
  names: list(text),
  nodes: list(node),
  targets,
  changedAt: moment.allow(null),
});

export const brought = all<BroughtForward>({
  jottings: list(jotting),
  tasks: list(shownTask),
  older: count,
  targets,
});

export const taskList = all<TaskList>({
  groups: list(all<TaskGroup>({ key: text, target: target.allow(null), count })),
  tasks: list(
    all<TaskList['tasks'][number]>({
      blockId: id,
      page: target,
      node,
      beneath: list(node),
      putOffs: count,
      group: text,
    }),
  ),
  count,
  targets,
});
export const taskCount = Joi.object({ count: count.required() });
export const calendarAddress = Joi.object({ madeAt: moment.allow(null).required() });
export const madeCalendarAddress = Joi.object({ address: text.required() });
export const taskCounts = all<TaskCounts>({ here: count, beneath: count, linking: count });

export const day = all<DayPage & { targets: unknown }>({
  day: date,
  pageId: id,
  title: text,
  body,
  wordCount: count,
  pointing: count,
  isStored: yesNo,
  targets,
});
export const days = list(day);
export const calendar = list(all<CalendarDay>({ day: date, wordCount: count, due: count }));
export const periods = list(
  all<PeriodPage>({ period: text, pageId: id, title: text, firstWords: text, wordCount: count }),
);
export const around = all<AroundDay>({
  years: list(all<EarlierYear>({ day: date, firstWords: text, wordCount: count })),
  begun: targets,
  changed: targets,
  done: list(Joi.object({ blockId: id.required(), page: target.required(), node: node.required() })),
  attached: list(Joi.object({ id: id.required(), name: text.required(), media: text.required() })),
  targets,
});

export const searches = list(all<SavedSearch>({ id, name: text, line: text, orderKey: text }));
const foundCounts = list(all<FoundCount>({ value: text, count }));
export const counted = all<FoundCounts>({
  total: count,
  isMore: yesNo,
  places: foundCounts,
  kinds: foundCounts,
  tags: foundCounts,
});
export const soughtWords = list(
  Joi.object({
    is: text.valid('word').required(),
    word: text.required(),
    isBeginning: yesNo.required(),
    readings: list(
      all<Reading>({
        how: text.valid(...HOW),
        terms: list(text),
        isBeginning: yesNo,
      }),
    ).required(),
  }),
);
export const found = all<Found>({
  findings: list(
    all<Finding>({
      ...targetKeys,
      titlePieces: pieces,
      blockId: id.allow(null),
      lines: list(all<FoundLine>({ blockId: id, pieces })),
      changedAt: moment,
    }),
  ),
  also: list(text),
  remarks: list(all<Remark>({ from: count, to: count, words: text })),
  isMore: yesNo,
});
export const pickables = all<NameChanges>({
  revision: count,
  isWhole: yesNo,
  entries: list(
    all<Pickable>({
      id,
      kind: entryKind,
      parentId: id.allow(null),
      title: text,
      names: list(text),
      kinds: list(text),
      day: date.allow(null),
      pigment: pigment.allow(null),
      season: ownSeason.allow(null),
      isDeleted: yesNo,
      isEmpty: yesNo,
      standsIn,
    }),
  ),
  gone: list(id),
});
export const webTitle = Joi.object({ title: text.allow(null).required() });

export const attachment = all<Attachment>({ id, name: text, media: Joi.string(), size: count });
export const importReport = all<ImportReport>({
  notebooks: count,
  sections: count,
  pages: count,
  days: count,
  links: count,
  left: count,
  renewed: count,
  remarks: list(Joi.object({ path: text.required(), what: text.required() })),
});
export const importPreview = all<ImportPreview>({
  ...{ notebooks: count, sections: count, pages: count, days: count, left: count },
  looseNotebook: text,
  places: list(Joi.object({ name: text.required(), pages: count.required(), isHere: yesNo.required() })),
  presentCount: count,
  present: list(all<PresentPage>({ path: text, title: text, by: Joi.valid('id', 'title') })),
  remarkCount: count,
  remarks: list(Joi.object({ path: text.required(), what: text.required() })),
});
export const work = all<Work>({
  id,
  sort: Joi.valid(...WORK_SORTS),
  name: text,
  state: Joi.valid(...WORK_STATES),
  begunAt: moment,
  endedAt: moment.allow(null),
  done: count,
  total: count,
  problem: text.allow(null),
  preview: importPreview.allow(null),
  report: importReport.allow(null),
  canTakeBack: yesNo,
  file: all<WorkFile>({
    name: text,
    form: Joi.valid(...EXPORT_FORMS),
    size: count,
    pages: count,
    files: count,
    isMore: yesNo,
  }).allow(null),
});
export const works = list(work);
export const folders = list(text);
export const takingBack = Joi.object({ acts: someActs.required() });

export const templates = list(all<TemplateInfo>({ id, title: text, questions: list(text) }));
export const templateFor = Joi.object({ templateId: id.allow(null).required() });
export const settings = Joi.object().unknown();

/** An error, told to the person in a sentence (RFC 9457). */
export const problem = Joi.object({
  type: Joi.string().valid('about:blank').required(),
  status: Joi.number().integer().min(400).max(599).required(),
  title: text.required(),
  detail: text.required(),
}).unknown();
