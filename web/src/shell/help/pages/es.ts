/** The manual's files in this language, by their paths. */
export const pages = import.meta.glob<string>('../../../../../docs/manual/es/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
});
