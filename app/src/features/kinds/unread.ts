import { rememberedUnread, rememberUnread } from '../../state/memory';

/** What was typed into fields and could not be read: it waits there, whatever page is shown meanwhile, until it is. */

function stored(): Record<string, string> {
  try {
    return JSON.parse(rememberedUnread() ?? '{}') as Record<string, string>;
  } catch {
    return {};
  }
}

const nameOf = (pageId: string, fieldId: string): string => `${pageId} ${fieldId}`;

export const unreadIn = (pageId: string, fieldId: string): string | null => stored()[nameOf(pageId, fieldId)] ?? null;

/** Keeps it; null once it was read, or taken away. */
export function keepUnread(pageId: string, fieldId: string, typed: string | null): void {
  const { [nameOf(pageId, fieldId)]: _before, ...others } = stored();
  rememberUnread(JSON.stringify(typed === null ? others : { ...others, [nameOf(pageId, fieldId)]: typed }));
}
