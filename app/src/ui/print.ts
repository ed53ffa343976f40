/** Rules for paper: nothing scrolls, what is only for the screen is left out. Set by script, as the page allows no inline style. */
const RULES = [
  '@media print { html, body, #root, #root div { overflow: visible !important; max-height: none !important; height: auto; } }',
  '@media print { [data-noprint], [role="tablist"], nav { display: none !important; } }',
  '@media print { [data-sheet] { break-inside: avoid; } }',
  '@page { margin: 14mm; }',
];

let ready = false;

/** Prints the page as it is shown. */
export function printPage(): void {
  if (typeof document === 'undefined') return;
  if (!ready) {
    const sheet = [...document.styleSheets].find((s) => s.ownerNode instanceof HTMLStyleElement);
    for (const rule of RULES) sheet?.insertRule(rule, sheet.cssRules.length);
    ready = true;
  }
  window.print();
}
