import type { Page } from '@playwright/test';
import { expect } from './house';

/** Lets the clock go on until the evening is over and told. */
export async function runOut(page: Page) {
  const event = page.getByRole('button', { name: 'Go on until something happens' });
  const clock = page.getByRole('status').filter({ hasText: 'Doors open at' });
  const told = page.getByRole('heading', { name: 'What it came to' });
  for (let i = 0; i < 14 && (await event.isVisible()); i += 1) {
    const before = await clock.innerText();
    await event.click();
    await expect(async () => {
      const isOver = !(await event.isVisible());
      expect(isOver || (await clock.innerText()) !== before).toBe(true);
    }).toPass();
  }
  await expect(told).toBeVisible({ timeout: 90_000 });
}
