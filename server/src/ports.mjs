/*
 * Plain JavaScript, as the tools that start the server ask it before anything is built.
 */

/** A port that browsers open, to propose where another is taken. */
export const OTHER_PORT = 4280;

/** Ports over 1024 that browsers refuse to open, as other services are known to listen there (the Fetch standard's list). */
const REFUSED_BY_BROWSERS = new Set([
  1719, 1720, 1723, 2049, 3659, 4045, 4190, 5060, 5061, 6000, 6566, 6665, 6666, 6667, 6668, 6669,
  6679, 6697, 10080,
]);

/**
 * What is wrong with a port for a server that browsers are to open; null when nothing is.
 *
 * @param {string} text as it was set
 * @param {string} [setting] by which it was set
 * @returns {string | null}
 * @example portFault('4190') // 'Browsers refuse to open port 4190. Choose another, such as PORT=4280.'
 */
export function portFault(text, setting = 'PORT') {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    return `${setting} must be a number from 1 to 65535, not "${text}".`;
  if (REFUSED_BY_BROWSERS.has(port))
    return `Browsers refuse to open port ${port}. Choose another, such as ${setting}=${OTHER_PORT}.`;
  return null;
}
