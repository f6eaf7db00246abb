import Joi from 'joi';
import type { ReplacedLine, ReplacedPage, ReplacePreview } from '@glossarion/core/replace';
import { all, count, id, list, pieces, someActs, target, targets, text, yesNo } from './answerForms';

/** What is answered of replacements. */

export const replacePreview = all<ReplacePreview>({
  pages: list(
    all<ReplacedPage>({
      page: target,
      lines: list(all<ReplacedLine>({ blockId: id, state: text, before: pieces, after: pieces })),
    }),
  ),
  isMore: yesNo,
  trouble: text.allow(null),
});
export const replaced = Joi.object({ undo: someActs.required(), lines: count.required(), left: targets.required() });
