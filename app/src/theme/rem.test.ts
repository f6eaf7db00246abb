import { inRem, rem } from './rem';

test('S4 every length of a sheet grows with the person’s letters, and queries count in them', () => {
  expect(rem(44)).toBe('2.75rem');
  expect(
    inRem('.a { font: 16px/20px X; margin: -8px .5px 0; width: calc(100% - 44px); border: 1.6px solid #1C282C; }'),
  ).toBe(
    '.a { font: 1rem/1.25rem X; margin: -0.5rem 0.03125rem 0; width: calc(100% - 2.75rem); border: 0.1rem solid #1C282C; }',
  );
  expect(inRem('@media (max-width: 719px) { .b { top: 8px; } } .c { --depth: 2; }')).toBe(
    '@media (max-width: 44.9375em) { .b { top: 0.5rem; } } .c { --depth: 2; }',
  );
});
