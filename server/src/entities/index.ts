/** One entity a table: the truth about columns and indexes. Tables are made by the migrations alone. */

import { AccountEntity } from './account';
import { AlsoNamedDueEntity, AlsoNamedEntity, NameDueEntity, UnlinkedEntity } from './alsoNamed';
import { AttachmentEntity } from './attachment';
import { AttachmentTextEntity } from './attachmentText';
import { BlockEntity } from './block';
import { CalendarAddressEntity } from './calendarAddress';
import { CountedLanguagesEntity } from './countedLanguages';
import { DayBeginningEntity } from './dayBeginning';
import { DocumentEntity, RemovalEntity, UpdateEntity } from './document';
import { EntryEntity } from './entry';
import { FactsDueEntity } from './factsDue';
import { FieldEntity } from './field';
import { FieldValueEntity } from './fieldValue';
import { FileUseEntity } from './fileUse';
import { FoldEntity } from './fold';
import { FormerIdEntity } from './formerId';
import { GlossPlaceEntity, MovedGlossEntity } from './glossPlace';
import { GrantEntity } from './grant';
import { HappeningEntity } from './happening';
import { ImportUnderWayEntity } from './importUnderWay';
import { KinEntity, KinMadeEntity } from './kin';
import { KindEntity } from './kind';
import { KindUseEntity } from './kindUse';
import { LinkEntity } from './link';
import { OtherNameEntity } from './otherName';
import { PinEntity } from './pin';
import { SavedSearchEntity } from './savedSearch';
import { SessionEntity } from './session';
import { SettingEntity } from './setting';
import { TagEntity } from './tag';
import { TagUseEntity } from './tagUse';
import { TaskEntity } from './task';
import { TombstoneEntity } from './tombstone';
import { VisitEntity } from './visit';
import { VocabularyEntity } from './vocabulary';

export * from './account';
export * from './alsoNamed';
export * from './attachment';
export * from './attachmentText';
export * from './block';
export * from './calendarAddress';
export * from './countedLanguages';
export * from './dayBeginning';
export * from './document';
export * from './entry';
export * from './factsDue';
export * from './field';
export * from './fieldValue';
export * from './fileUse';
export * from './fold';
export * from './formerId';
export * from './glossPlace';
export * from './grant';
export * from './happening';
export * from './importUnderWay';
export * from './kin';
export * from './kind';
export * from './kindUse';
export * from './lineFacts';
export * from './link';
export * from './otherName';
export * from './pin';
export * from './savedSearch';
export * from './session';
export * from './setting';
export * from './tag';
export * from './tagUse';
export * from './task';
export * from './tombstone';
export * from './visit';
export * from './vocabulary';

export const entities = [
  AccountEntity,
  AlsoNamedDueEntity,
  AlsoNamedEntity,
  AttachmentEntity,
  AttachmentTextEntity,
  BlockEntity,
  CalendarAddressEntity,
  CountedLanguagesEntity,
  DayBeginningEntity,
  DocumentEntity,
  EntryEntity,
  FactsDueEntity,
  FieldEntity,
  FieldValueEntity,
  FileUseEntity,
  FoldEntity,
  FormerIdEntity,
  GlossPlaceEntity,
  GrantEntity,
  HappeningEntity,
  ImportUnderWayEntity,
  KinEntity,
  KinMadeEntity,
  KindEntity,
  KindUseEntity,
  LinkEntity,
  MovedGlossEntity,
  NameDueEntity,
  OtherNameEntity,
  PinEntity,
  RemovalEntity,
  SavedSearchEntity,
  SessionEntity,
  SettingEntity,
  TagEntity,
  TagUseEntity,
  TaskEntity,
  TombstoneEntity,
  UnlinkedEntity,
  UpdateEntity,
  VisitEntity,
  VocabularyEntity,
];
