import type { EntityManager } from 'typeorm';
import type { BodyJson } from '@glossarion/core/document';
import { beginDay, dayTitle, weekdayOf, type DayTemplates } from '@glossarion/core/journal';
import { fillBody } from '@glossarion/core/templates';
import { onlyVisible, ownedBy, type Viewer } from '../access';
import { DayBeginningEntity, DocumentEntity, EntryEntity, SettingEntity } from '../entities';

/** What a day begins with, by what is stored of it (core/journal/beginning). */
export async function dayBeginning(
  manager: EntityManager,
  viewer: Viewer,
  pageId: string,
  day: string,
): Promise<BodyJson> {
  const shown = await manager.findOneBy(DayBeginningEntity, { pageId });
  if (shown) return beginDay({ pageId, first: JSON.parse(shown.json) as BodyJson });
  const template = await ownTemplate(manager, viewer, day);
  const title = dayTitle(day);
  return beginDay({ pageId, own: template && fillBody(template, pageId, { date: title, title, place: 'Journal' }) });
}

async function ownTemplate(manager: EntityManager, viewer: Viewer, day: string): Promise<BodyJson | null> {
  const setting = await manager.findOneBy(SettingEntity, { ...ownedBy(viewer), key: 'dayTemplates' });
  if (!setting) return null;
  const { every, weekdays } = JSON.parse(setting.value) as DayTemplates;
  const id = weekdays[String(weekdayOf(day))] ?? every;
  if (!id) return null;
  const query = manager
    .createQueryBuilder(EntryEntity, 'e')
    .select('d.json', 'json')
    .innerJoin(DocumentEntity.options.name, 'd', 'd.id = e.id')
    .where('e.id = :id AND e.isTemplate = 1 AND e.deletedAt IS NULL', { id });
  const body = await onlyVisible(query, viewer, true, 'e').getRawOne<{ json: string }>();
  return body ? (JSON.parse(body.json) as BodyJson) : null;
}

/**
 * Remembers what a day was first shown with, until it is written: a window that has it open goes on from there, even
 * if the template is changed meanwhile.
 */
export async function rememberBeginning(
  manager: EntityManager,
  viewer: Viewer,
  pageId: string,
  body: BodyJson,
): Promise<void> {
  const row = { pageId, json: JSON.stringify(body), ...ownedBy(viewer) };
  await manager.createQueryBuilder().insert().into(DayBeginningEntity).values(row).orIgnore().execute();
}
