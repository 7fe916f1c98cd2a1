import { expect } from '@playwright/test';
import { arrived } from './house';
import { begin, begunLot, planTheWeek, serveLot, test } from './ownHouse';

/** Each made-up set to begin with, and how many hours before doors its first trays are pulled; null has no cold. */
const SETS = [
  ['One-oven corner shop', 0.5],
  ['Restaurant with a walk-in', 0.5],
  ['Pan and slice', 4],
  ['Oven on wheels', null],
] as const;

for (const [set, pulledH] of SETS) {
  test(`a house begun as “${set}” goes from its code to how its first dough turned out`, async ({
    page,
    server,
  }) => {
    const hands = await begin(page, server, 'Bell & Oar', set);
    const house = 'bell-oar';
    await planTheWeek(page, hands, server.url, house);

    const lot =
      await test.step('the first sheet is printed, its lot started, a load weighed', async () => {
        await page.goto(`${server.url}/${house}/mix`);
        await arrived(page);
        // What there was no time to make any more was left out: the first of the plan comes on Friday or later.
        await page
          .getByRole('main')
          .locator(`a[href*="/mix/2026-11-2"]:is([href*="-27/"], [href*="-28/"], [href*="-29/"])`)
          .first()
          .click();
        await arrived(page);
        const sheet = page.url();
        await page.goto(`${sheet}/paper`);
        await arrived(page);
        expect((await page.pdf({ format: 'A4' })).subarray(0, 4).toString()).toBe('%PDF');
        await page.goto(sheet);
        await hands.press(/^Start/, false);
        await hands.follow('Weigh off');
        const typed = page.getByRole('textbox', { name: /Or type what another scale shows/ });
        await typed.fill('1500');
        await typed.press('Enter');
        await expect(
          page.getByRole('button', { name: /(over|under|to go)$/ }).first(),
        ).toBeVisible();
        return begunLot(page, server.url, house);
      });

    await test.step('its trays are pulled, and it is said how it turned out', () =>
      serveLot(page, server, house, lot, pulledH));
  });
}
