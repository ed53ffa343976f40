import { expect } from '@playwright/test';
import type { Page } from '@playwright/test';
import { addAthlete } from './steps';

export const FOLDER = 'demo/clips';

/** An athlete who may be filmed. @returns the address of the page and the id */
export async function filmed(page: Page, name: string): Promise<{ url: string; id: string }> {
  const url = await addAthlete(page, name);
  const id = url.split('/').pop()!;
  const answer = await page.request.put(`/api/athletes/${id}/consents/${crypto.randomUUID()}`, {
    data: { kind: 'film', given: true, by: 'Corin Farrowgate' },
  });
  expect(answer.ok()).toBe(true);
  return { url, id };
}

export async function choose(page: Page, file: string | { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.getByTestId('bring-in').click()]);
  await chooser.setFiles(file);
}

export const nameOf = (project: string, what: string) => `Nilo ${what} ${project}-${Date.now().toString(36)}`;
