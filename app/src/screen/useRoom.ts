import { useAppSelector } from '../state/store';
import { useWindowWidth } from '../theme/rem';
import { roomFor, type Room } from '../theme/room';

/** What stands around the text of a page, by the room there is and by what was put away. */
export function useRoom(pageId: string, isMarginHiddenHere = false): Room {
  const width = useWindowWidth();
  const isTextOnly = useAppSelector((state) => state.view.isTextOnly);
  const isContentsAway = useAppSelector((state) => state.view.isContentsAway);
  const isMarginAway = useAppSelector((state) => state.view.isMarginAway);
  const besideId = useAppSelector((state) => state.view.besideId);
  return roomFor(width, {
    isTextOnly,
    contents: !isContentsAway,
    margin: !isMarginAway && !isMarginHiddenHere,
    beside: besideId !== null && besideId !== pageId,
  });
}
