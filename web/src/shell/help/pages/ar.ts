/** The manual's files in this language, by their paths. */
export const pages = import.meta.glob<string>('../../../../../docs/manual/ar/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
});
