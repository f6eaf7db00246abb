import { block, body, text } from '../document/build';
import { fillBody, fillText, nextNumber, nextTitle, placeholdersIn, questionsOf } from './template';

test('placeholders are filled in, and what has no value stays as it is written', () => {
  const values = { date: '25 November 2026', place: 'Waterworks' };
  expect(fillText('On {{date}} in {{ place }}, with {{who?}}', values)).toBe(
    'On 25 November 2026 in Waterworks, with {{who?}}',
  );
  expect(fillText('An answer {{who?}} is not a template', { 'who?': '{{date}} & <b>' })).toBe(
    'An answer {{date}} & <b> is not a template',
  );
});

test('a text that is no proper template is left alone', () => {
  for (const odd of ['{{', '{{#open', '{{{a}}', 'a }} b', '{{=<% %>=}} <%date%>']) {
    expect(placeholdersIn(odd).includes('date')).toBe(false);
    expect(() => fillText(odd, { date: 'x' })).not.toThrow();
  }
  expect(fillText('{{', { date: 'x' })).toBe('{{');
});

test('questions are asked once each, in their order; what is known is not asked', () => {
  const template = body(
    block('paragraph', 'With {{Who was there?}} on {{date}}'),
    block('todo', '{{What next?}} {{Who was there?}}'),
  );
  expect(questionsOf('Meeting {{number}}', template)).toEqual(['Who was there?', 'What next?']);
});

test('a page made from a template has blocks of its own, the same for the same page', () => {
  const template = body(block('heading', 'On {{date}}'), block('paragraph', [text('{{gone}}', { type: 'bold' })]));
  const made = fillBody(template, '01a20000-0000-7000-8000-000000000001', { date: 'Monday', gone: '' });
  expect(made.content[0]!.content![0]!.text).toBe('On Monday');
  expect(made.content[1]!.content).toEqual([]);
  expect(made.content[0]!.attrs!.id).not.toBe(template.content[0]!.attrs!.id);
  expect(fillBody(template, '01a20000-0000-7000-8000-000000000001', { date: 'Monday', gone: '' })).toEqual(made);
});

test('series are counted on', () => {
  expect(nextTitle('Draft 3')).toBe('Draft 4');
  expect(nextTitle('Sheet 09 (roof)')).toBe('Sheet 10 (roof)');
  expect(nextTitle('Survey')).toBe('Survey 2');
  expect(nextNumber(['Draft 3', 'Draft 11', 'Notes'])).toBe(12);
  expect(nextNumber([])).toBe(1);
});
