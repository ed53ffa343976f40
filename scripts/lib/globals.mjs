/** What Node and the browser offer to the scripts without an import. */
const names = [
  'atob',
  'btoa',
  'Blob',
  'OffscreenCanvas',
  'process',
  'console',
  'URL',
  'Buffer',
  'setTimeout',
  'clearTimeout',
  'setInterval',
  'performance',
  'fetch',
  'document',
  'window',
  'crypto',
  'requestAnimationFrame',
  'navigator',
];
export default Object.fromEntries(names.map((name) => [name, 'readonly']));
