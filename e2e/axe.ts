import type { Page } from '@playwright/test';
import axe, { type Result } from 'axe-core';

/**
 * What axe finds wrong on the page as it stands. It stays on the page once it is there and collects nothing but what is
 * wrong: journeys ask it dozens of times.
 *
 * @param tags the rules that are looked at, by their tags; the usual ones where none are given
 */
export async function violationsOn(page: Page, tags?: readonly string[]): Promise<Result[]> {
  const isThere = await page.evaluate(() => 'axe' in window);
  if (!isThere) await page.evaluate(axe.source);
  return page.evaluate(
    async (runOnly) => {
      const { axe: onPage } = window as unknown as { readonly axe: typeof axe };
      const { violations } = await onPage.run(document, {
        resultTypes: ['violations'],
        ...(runOnly && { runOnly }),
      });
      return violations;
    },
    tags && [...tags],
  );
}
