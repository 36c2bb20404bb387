import { expect, test } from 'vitest';

const sources = import.meta.glob<string>('../**/*.svelte', { query: '?raw', import: 'default', eager: true });
/** Two rows may bear one name, or none yet: Svelte then stops drawing all that hangs on the list. */
const BY_NAME = /\{#each [^}]*\((?:\w+\??\.)+(?:name|title|text|says|what)\)\}/g;

test('no list is kept apart by names that two of its rows may share', () => {
  expect(Object.keys(sources).length).toBeGreaterThan(100);
  const found = Object.entries(sources).flatMap(([file, text]) =>
    [...text.matchAll(BY_NAME)].map((match) => `${file}: ${match[0]}`),
  );
  expect(found).toEqual([]);
});
