import { readConfig } from './config';

test('settings that make no sense end the start with a sentence', () => {
  expect(() => readConfig({ PORT: 'door' })).toThrow(/settings don't make sense/);
  expect(() => readConfig({ GLOSSARION_ORIGIN: 'not an address' })).toThrow(/GLOSSARION_ORIGIN/);
});

test('the demo, which opens signed in, is served on loopback only', () => {
  expect(() => readConfig({ GLOSSARION_DEMO: 'true', GLOSSARION_HOST: '0.0.0.0' })).toThrow(/loopback/);
  expect(readConfig({ GLOSSARION_DEMO: 'true' }).host).toBe('127.0.0.1');
});
