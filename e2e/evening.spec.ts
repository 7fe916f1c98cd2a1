import { paths, type ClockReading, type Handover, type Lot, type LotLog } from '@calm/contract';
import type { APIRequestContext, Page } from '@playwright/test';
import { expect, expectAccessible, sessionOf, test } from './house';
import { NOW, startServer } from './server';

/** A second is four minutes: an evening is over in less than two. */
const SPEED = 240;
const MIN_MS = 60_000;

/** What time it is in the house, epoch ms. */
async function timeAt(request: APIRequestContext, url: string): Promise<number> {
  const clock = (await (await request.get(`${url}${paths.clock()}`)).json()) as ClockReading;
  return Date.parse(clock.now);
}

/** How many balls a product has in one state, as the page shows it. */
async function shown(page: Page, product: string, state: string): Promise<number> {
  const row = page.getByRole('region', { name: product }).locator('li', { hasText: state });
  return Number.parseInt(await row.innerText(), 10);
}

test('a whole evening: a late load, waves pulled, a network cut, a handover', async ({
  browser,
  request,
  house,
}) => {
  test.setTimeout(360_000);
  const server = await startServer(process.env['E2E_DATABASE_URL'] ?? '', NOW, SPEED);
  const at = (path: string) => `${server.url}/${house}/${path}`;
  const device = async (name: string, viewport: { width: number; height: number }) => {
    const context = await browser.newContext({ viewport, serviceWorkers: 'block' });
    await context.addCookies([{ ...(await sessionOf(house, name)), url: server.url }]);
    return context.newPage();
  };
  const tablet = await device('Ossian', { width: 1024, height: 768 });
  const phone = await device('Wren', { width: 390, height: 844 });
  try {
    await test.step('the oven phone sees the evening, and pulls the first wave', async () => {
      await phone.goto(at('tonight'));
      await expect(phone.getByRole('heading', { name: 'Dinner, Wed 25 Nov' })).toBeVisible();
      const pull = phone
        .getByRole('region', { name: 'Crackle' })
        .getByRole('button', { name: /^Pull \d+ trays?$/ });
      await expect(pull).toBeVisible({ timeout: 30_000 });
      await pull.click();
      await expect(phone.getByText(/trays? of Crackle pulled/).first()).toBeVisible();
      await expect(async () => {
        expect(await shown(phone, 'Crackle', 'warming')).toBeGreaterThan(0);
      }).toPass();
      await expectAccessible(phone);
    });

    await test.step('the tablet follows', async () => {
      await tablet.goto(at('tonight'));
      await expect(async () => {
        expect(await shown(tablet, 'Crackle', 'warming')).toBe(
          await shown(phone, 'Crackle', 'warming'),
        );
      }).toPass();
    });

    await test.step('the next wave of another product, when it is due', async () => {
      // Its first wave came out before the journey began.
      const before = await shown(phone, 'Yard Round', 'cold, ripe');
      expect(before).toBeGreaterThan(0);
      const button = phone
        .getByRole('region', { name: 'Yard Round' })
        .getByRole('button', { name: /^Pull \d+ trays?$/ });
      await expect(button).toBeVisible({ timeout: 90_000 });
      await button.click();
      await expect(async () => {
        expect(await shown(phone, 'Yard Round', 'cold, ripe')).toBeLessThan(before);
      }).toPass();
    });

    const sheet = at('mix/2026-11-27/slab');
    await test.step('a load is started late: a timer runs, and is given two more minutes', async () => {
      await tablet.goto(sheet);
      await tablet.getByRole('button', { name: 'Start this lot' }).click();
      await expect(tablet.getByText('Started: SL-1125-A.')).toBeVisible();
      await tablet.getByRole('button', { name: 'Start', exact: true }).first().click();
      const timer = tablet.getByRole('timer').first();
      await expect(timer).toBeVisible();
      await tablet.getByRole('button', { name: 'Two more minutes' }).first().click();
      await expect(tablet.getByText(/2 more minutes/).first()).toBeVisible();
      // The timer is in the record: a reload does not stop it.
      await tablet.reload();
      await expect(timer).toBeVisible();
      await tablet.getByRole('button', { name: 'Done', exact: true }).first().click();
      await expect(timer).toHaveCount(0);
    });

    const lots = async () => {
      const answer = await phone.request.get(
        `${server.url}${paths.lots(house, { from: '2026-11-26', days: 2 })}`,
      );
      return (await answer.json()) as Lot[];
    };
    const slab = async () => {
      const found = (await lots()).find(({ code }) => code === 'SL-1125-A');
      if (!found) throw new Error('the late load is there');
      return found;
    };

    await test.step('ten minutes without a network: five things are done, and wait', async () => {
      const before = await slab();
      const cutMs = await timeAt(request, server.url);
      await tablet.context().setOffline(true);
      const boxes = tablet.getByRole('region', { name: 'Steps' }).getByRole('checkbox');
      for (let i = 1; i <= 4; i += 1) {
        await boxes.nth(i).click();
        await expect(boxes.nth(i)).toBeChecked();
      }
      const out = tablet.getByRole('textbox', { name: 'Dough temperature (°C)' });
      await out.fill('27.4');
      await out.press('Enter');
      await expect(tablet.getByText(/5 changes are saved on this device/)).toBeVisible();
      await expectAccessible(tablet);
      await expect(async () => {
        expect(await timeAt(request, server.url)).toBeGreaterThan(cutMs + 10 * MIN_MS);
      }).toPass();
      expect((await slab()).marks).toHaveLength(before.marks.length);
      const backMs = await timeAt(request, server.url);
      await tablet.context().setOffline(false);
      await expect(tablet.getByText(/changes? (is|are) saved on this device/)).toHaveCount(0, {
        timeout: 30_000,
      });
      await expect(async () => {
        expect((await slab()).loads[0]?.doughOutC).toBe(27.4);
      }).toPass({ timeout: 30_000 });
      const known = new Set(before.marks.map(({ stepKey }) => stepKey));
      const made = (await slab()).marks.filter(({ stepKey }) => !known.has(stepKey));
      expect(made).toHaveLength(4);
      for (const { doneAt, version } of made) {
        // Once each, and when they were done, not when they came.
        expect(version).toBe(1);
        expect(Date.parse(doneAt ?? '')).toBeGreaterThanOrEqual(cutMs - 5 * MIN_MS);
        expect(Date.parse(doneAt ?? '')).toBeLessThanOrEqual(backMs + MIN_MS);
      }
    });

    await test.step('what that means for its window is said', async () => {
      await expect(
        tablet.getByText(/\+2\.4\s°C against 25\.0\s°C: it will run ahead/),
      ).toBeVisible();
      await expect(tablet.getByText(/Opens well Fri \d\d:\d\d to \d\d:\d\d/)).toBeVisible({
        timeout: 30_000,
      });
    });

    await test.step('the shift is handed over, read, and known to be read', async () => {
      await tablet.goto(at('crew/handover'));
      await expect(tablet.getByText(/SL-1125-A: dough came off at 27\.4/)).toBeVisible();
      await tablet.getByLabel('Anything else').fill('Semolina is nearly out');
      await tablet.getByRole('button', { name: 'Send handover' }).click();
      await expect(tablet.getByText(/From Ossian/).first()).toBeVisible();
      await phone.goto(at('crew/shift'));
      await expect(phone.getByText('Semolina is nearly out')).toBeVisible();
      await expectAccessible(phone);
      await phone.getByRole('button', { name: 'Mark as read' }).click();
      await expect(phone.getByText('Semolina is nearly out')).toHaveCount(0);
      await expect(tablet.getByText(/read by Wren/).first()).toBeVisible();
      const handovers = (await (
        await phone.request.get(`${server.url}${paths.handovers(house)}`)
      ).json()) as Handover[];
      expect(handovers[0]?.lines.length).toBeGreaterThan(2);
    });

    await test.step('after the last guest: how it turned out, what was left, and why', async () => {
      const closeMs = Date.parse('2026-11-25T21:30:00.000Z');
      await expect(async () => {
        expect(await timeAt(request, server.url)).toBeGreaterThan(closeMs);
      }).toPass({ timeout: 180_000, intervals: [1000] });
      await phone.goto(at('tonight'));
      await expect(phone.getByRole('heading', { name: 'Lunch, Thu 26 Nov' })).toBeVisible();
      await phone.goto(at('log'));
      await phone.getByRole('link', { name: /^CR-1124-A/ }).click();
      await phone
        .getByRole('region', { name: 'How did it open?' })
        .getByRole('button', { name: 'springs back' })
        .click();
      await expect(phone.getByText('Opened: springs back')).toBeVisible();
      const left = phone.getByRole('textbox', { name: 'Crackle left' });
      await left.fill('3');
      await left.press('Enter');
      await expect(phone.getByText(/Crackle: \d+ used, 3 left/)).toBeVisible();
      await expectAccessible(phone);
      const id = phone.url().split('/').at(-1) ?? '';
      const answer = await phone.request.get(`${server.url}${paths.lotLog(house, id)}`);
      const log = (await answer.json()) as LotLog;
      // What was corrected is still there, and what was pulled is there once.
      const kinds = log.records.map(({ content }) => content.kind);
      expect(kinds.filter((kind) => kind === 'opened')).toHaveLength(2);
      expect(kinds.filter((kind) => kind === 'pulled').length).toBeGreaterThan(0);
    });
  } finally {
    await tablet.context().close();
    await phone.context().close();
    await server.stop();
  }
});

test('no pull is asked for, and no odds are said, before all that they hang on is known', async ({
  page,
  at,
}) => {
  await page.addInitScript(() => {
    const seen = new Set<string>();
    Object.assign(window, { seen });
    new MutationObserver(() => {
      for (const { innerText } of document.querySelectorAll<HTMLElement>('main section')) {
        const [product] = innerText.split('\n');
        for (const said of innerText.match(/Pull \d+ trays?[^.\n]*|minute: \d+/g) ?? [])
          seen.add(`${product}: ${said}`);
      }
    }).observe(document, { subtree: true, childList: true, characterData: true });
  });
  const seen = () => page.evaluate(() => [...(window as unknown as { seen: Set<string> }).seen]);
  await page.goto(at('tonight'));
  // Four products: what each says first is what it says in the end.
  await expect(page.getByText(/enough at every/)).toHaveCount(4);
  const said = await seen();
  expect(said).toHaveLength(8);
  await page.waitForTimeout(1500);
  expect(await seen()).toEqual(said);
});
