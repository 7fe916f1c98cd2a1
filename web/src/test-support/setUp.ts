import '@testing-library/jest-dom/jest-globals';
import { cleanup } from '@testing-library/react';
import { afterEach } from '@jest/globals';
import { needWords } from '../words';
import { WORD_AREAS } from '../words/catalogue';

await needWords(...WORD_AREAS);

afterEach(() => {
  cleanup();
  localStorage.clear();
});
