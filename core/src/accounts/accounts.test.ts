import { accountNameTrouble, invitationTrouble, MAX_ACCOUNT_NAME, PASSPHRASE, passphraseTrouble } from '.';

test('a name is needed, and ends somewhere', () => {
  expect(accountNameTrouble('  ')).toBe('A name is needed.');
  expect(accountNameTrouble('Ines Varga-Holt')).toBeNull();
  expect(accountNameTrouble('i'.repeat(MAX_ACCOUNT_NAME))).toBeNull();
  expect(accountNameTrouble('i'.repeat(MAX_ACCOUNT_NAME + 1))).toMatch(/at most 80/);
});

test('a passphrase is long enough and not endless', () => {
  expect(passphraseTrouble('seven77')).toMatch(/eight/);
  expect(passphraseTrouble('eight888')).toBeNull();
  expect(passphraseTrouble('p'.repeat(PASSPHRASE.most + 1))).toMatch(/at most 1024/);
});

test('an invitation is more than blanks', () => {
  expect(invitationTrouble(' ')).toMatch(/needed/);
  expect(invitationTrouble('oak')).toBeNull();
});
