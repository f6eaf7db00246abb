import type { EntityManager } from 'typeorm';
import type { BodyJson } from '@glossarion/core/document';
import { dayTemplate, dayTitle, weekdayOf, type DayTemplates } from '@glossarion/core/journal';
import { fillBody } from '@glossarion/core/templates';
import { onlyVisible, ownedBy, type Viewer } from '../access';
import { DayBeginningEntity, DocumentEntity, EntryEntity, SettingEntity } from '../entities';

/**
 * What a day begins with, for the server, for imports and for windows alike: what it was first shown with, else the
 * person's own template for it, else the shipped one.
 */
export async function dayBeginning(
  manager: EntityManager,
  viewer: Viewer,
  pageId: string,
  day: string,
): Promise<BodyJson> {
  const first = await manager.findOneBy(DayBeginningEntity, { pageId });
  if (first) return JSON.parse(first.json) as BodyJson;
  const own = await ownTemplate(manager, viewer, day);
  if (!own) return dayTemplate(pageId);
  const title = dayTitle(day);
  return fillBody(own, pageId, { date: title, title, place: 'Journal' });
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
