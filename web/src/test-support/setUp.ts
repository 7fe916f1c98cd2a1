import '@testing-library/jest-dom/jest-globals';
import { cleanup } from '@testing-library/react';
import { afterEach } from '@jest/globals';
import '../words';

afterEach(() => {
  cleanup();
  localStorage.clear();
});
