import { useState } from 'react';
import { useEntryQuery, useTemplatesQuery } from '../../state/api';
import { colour } from '../../theme/tokens';
import { perform } from '../../state/deeds';
import { Action } from '../../kit/Action';
import { Button } from '../../kit/Button';
import { Field } from '../../kit/Field';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { AwaitedSheet } from '../../screen/AwaitedSheet';
import { makeFilled } from './templateActs';

const GONE = { status: 404, data: { detail: 'This template is not there any more. Choose another one.' } };

interface AskSheetProps {
  templateId: string;
  place: { parentId: string; afterId?: string | null };
  onClose: () => void;
}

/** Asks what a template asks, and makes the page. */
export function AskSheet({ templateId, place, onClose }: AskSheetProps) {
  const asked = useTemplatesQuery();
  const { data: templates = [] } = asked;
  const template = templates.find((each) => each.id === templateId);
  const [answers, setAnswers] = useState<Record<string, string>>({});
  if (!template) return <AwaitedSheet asked={asked.isSuccess ? { ...asked, error: GONE } : asked} onClose={onClose} />;
  const make = () => {
    onClose();
    const given = Object.fromEntries(template.questions.map((question) => [question, answers[question]?.trim() ?? '']));
    void makeFilled(templateId, place, given);
  };
  return (
    <Sheet title={template.title.replace(/\s*\{\{[^}]*\}\}/gu, '') || 'From a template'} onClose={onClose}>
      {template.questions.map((question) => (
        <Field
          key={question}
          label={question}
          value={answers[question] ?? ''}
          onChangeText={(value) => setAnswers((before) => ({ ...before, [question]: value }))}
          onSubmitEditing={make}
        />
      ))}
      <Button label="Make page" onPress={make} />
    </Sheet>
  );
}

/** Chooses the template of the pages that are made in a notebook, a section or beneath a page. */
export function TemplateOfSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const asked = useEntryQuery(entryId);
  const { data: entry } = asked;
  const { data: templates = [] } = useTemplatesQuery();
  if (!entry) return <AwaitedSheet asked={asked} onClose={onClose} />;
  const choose = (templateId: string | null, words: string) => () => {
    onClose();
    void perform([{ do: 'describe', id: entryId, templateId }], words);
  };
  return (
    <Sheet title={`Pages in “${entry.title}”`} onClose={onClose}>
      <Words tone={colour.soft}>
        {templates.length === 0
          ? 'No page is a template yet. Open one and choose “Make this a template”.'
          : 'New pages here begin as:'}
      </Words>
      {templates.map(({ id, title }) => (
        <Action
          key={id}
          isLine
          label={entry.templateId === id ? `● ${title}` : title}
          onPress={choose(id, `New pages in “${entry.title}” begin as “${title}”.`)}
        />
      ))}
      {entry.templateId && (
        <Action isLine label="An empty page" onPress={choose(null, `New pages in “${entry.title}” begin empty.`)} />
      )}
    </Sheet>
  );
}
