import type { ImportRemark } from '@glossarion/core/formats/markdown';
import { count } from '../../kit/count';
import { Fold } from '../../kit/Fold';
import { Line } from '../../kit/Words';

const SHOWN = 200;

interface RemarksProps {
  remarks: readonly ImportRemark[];
  /** How many there are; those that are given unless it is said. */
  total?: number;
  words?: string;
}

/** What came in otherwise than it was written, or not at all, by the file's name. */
export function Remarks({ remarks, total = remarks.length, words = 'came in otherwise than written' }: RemarksProps) {
  if (total === 0) return null;
  return (
    <Fold look="works-fold" label={`${count(total, 'thing')} ${words}`}>
      {remarks.slice(0, SHOWN).map(({ path, what }, index) => (
        <Line key={index} look="works-remark">
          {path}: {what}
        </Line>
      ))}
      {total > SHOWN && <Line look="works-remark">and {total - SHOWN} more.</Line>}
    </Fold>
  );
}
