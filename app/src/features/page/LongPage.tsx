import { useState } from 'react';
import type { BodyJson } from '@glossarion/core/document';
import { splitHeadings } from '@glossarion/core/acts/parts';
import { countWords, ownWords } from '@glossarion/core/document';
import { splitPage } from '../parts/partActs';
import { Paragraph } from '../../kit/Words';
import { Tap } from '../../kit/Tap';

/** A page of so many words, with so many parts, has grown long. */
const LONG_WORDS = 1500;
const LONG_PARTS = 4;

/** Offers to take a page apart that has grown long; said once a visit. */
export function LongPage({ pageId, body }: { pageId: string; body: BodyJson | null }) {
  const [isWaved, setWaved] = useState(false);
  if (!body || isWaved) return null;
  const parts = splitHeadings(body.content).length;
  if (parts < LONG_PARTS) return null;
  const words = body.content.reduce((sum, node) => sum + countWords(ownWords(node)), 0);
  if (words < LONG_WORDS) return null;
  return (
    <Paragraph look="long-page">
      This page has grown long. <Tap onPress={() => void splitPage(pageId)}>Split it at its {parts} headings</Tap>
      <Tap onPress={() => setWaved(true)}>Leave it</Tap>
    </Paragraph>
  );
}
