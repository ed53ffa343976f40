import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What axe finds on the page as it stands, and of its colours by night; empty when nothing. */
export async function violationsOf(page: Page): Promise<string[]> {
  const found: string[] = [];
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    // Without frames there is nothing to put together, for which it would open a page of its own each time.
    const axe = new AxeBuilder({ page }).setLegacyMode();
    // What is not a matter of colour is the same by night.
    const { violations } = await (colorScheme === 'light' ? axe.withTags(RULES) : axe.withRules(['color-contrast'])).analyze();
    for (const { id, nodes } of violations)
      found.push(
        `${colorScheme} ${new URL(page.url()).pathname}: ${id}, ${nodes.length} times, first ${nodes[0]!.html.slice(0, 200)}`,
      );
  }
  return found;
}

/** By how much the page is wider than its window, px, and how many things to tap have no name. */
export const misfitsOf = (page: Page): Promise<{ sideways: number; unnamed: number }> =>
  page.evaluate(() => ({
    sideways: document.documentElement.scrollWidth - document.documentElement.clientWidth,
    unnamed: [...document.querySelectorAll<HTMLElement>('[role=button],[role=link],button,a')].filter(
      (e) => e.offsetParent !== null && !(e.getAttribute('aria-label') ?? e.innerText).trim(),
    ).length,
  }));
