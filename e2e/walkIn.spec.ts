import { paths, type ColdBoard, type ColdRecord, type LotLog } from '@calm/contract';
import { letIn, lineTo, loadLanternYard, probeRound, type Line } from '@calm/demo';
import { openDatabase } from '@calm/server';
import type { APIRequestContext } from '@playwright/test';
import { expect, expectAccessible, sessionOf, test, watchConsole } from './house';
import { NOW, startServer } from './server';

/** 07:10 at Lantern Yard: nobody has been in since closing. */
const MORNING = '2026-11-25T06:10:00.000Z';
/** Probes that the demo house had until closing; what came after, they post themselves. */
const SILENT_H = 8;

/** A line to the house for the programs that stand in for devices, by somebody's session. */
const lineOf = (request: APIRequestContext, url: string) => ({
  get: async <T>(path: string): Promise<T> => (await (await request.get(url + path)).json()) as T,
  post: async <T>(path: string, data: unknown): Promise<T> => {
    const answer = await request.post(url + path, { data });
    if (!answer.ok()) throw new Error(`${answer.status()} ${await answer.text()}`);
    return (await answer.json()) as T;
  },
});

test('a warm night is found in the morning, understood, and dealt with', async ({
  page,
  house,
  context,
}) => {
  const { db, pool } = openDatabase(process.env['E2E_DATABASE_URL'] ?? '');
  await loadLanternYard(db, { slug: house, now: new Date(MORNING), weeks: 2, silentH: SILENT_H });
  await pool.end();
  const server = await startServer(process.env['E2E_DATABASE_URL'] ?? '', MORNING);
  const at = (path: string) => `${server.url}/${house}/${path}`;
  await context.clearCookies();
  await context.addCookies([{ ...(await sessionOf(house, 'Bashir')), url: server.url }]);
  const line = lineOf(context.request, server.url);
  const said = watchConsole(page);
  try {
    await test.step('the probes post what the night was, some of it late or twice', async () => {
      const memory = { sentS: new Map(), late: [] };
      const manager = lineTo(server.url, house, 'Maro');
      const { probes } = await line.get<ColdBoard>(paths.cold(house));
      const machines = new Map<string, Pick<Line, 'post'>>();
      for (const { id, name } of probes) {
        const start = { kind: 'probe', name, probeId: id } as const;
        machines.set(name, (await letIn(server.url, house, manager, start)).line);
      }
      const morning = Date.parse(MORNING);
      const added = await probeRound(line, house, morning, memory, 'warm-night', machines);
      expect(added).toBeGreaterThan(1000);
    });

    await test.step('whoever opens is told, wherever they look first', async () => {
      await page.goto(at('tonight'));
      const told = page.getByRole('status').filter({ hasText: 'Walk-in, back: averaged' });
      await expect(told).toBeVisible();
      await told.getByRole('link', { name: 'What it means' }).click();
      await expect(page.getByRole('heading', { name: 'Walk-in, back' })).toBeVisible();
    });

    await test.step('the page says what it was, what it means, and what to do', async () => {
      await expect(page.getByText('the compressor', { exact: true }).first()).toBeVisible();
      await expect(page.getByText(/Decide what may still be used/)).toBeVisible();
      await expect(page.getByText(/^Use .*YR-1123-A/)).toBeVisible();
      const row = page.getByRole('row', { name: /^YR-1123-A 164/ });
      await expect(row).toContainText(/Opens well Wed \d\d:\d\d to \d\d:\d\d\. Was Wed/);
      await expectAccessible(page);
    });

    await test.step('somebody is on it, by name, and nobody is told again', async () => {
      await page.getByLabel('What was done').fill('Coil iced over; technician called.');
      await page.getByLabel('What was done').press('Enter');
      await page.getByRole('button', { name: 'I am on it' }).click();
      await expect(page.getByText(/Bashir dealt with it/)).toBeVisible();
      const { alarms } = await line.get<ColdBoard>(paths.cold(house));
      expect(alarms.filter(({ acknowledged }) => acknowledged === null)).toEqual([]);
    });

    await test.step('one lot is used first', async () => {
      const row = page.getByRole('row', { name: /^YR-1123-A 164/ });
      await row.getByRole('button', { name: 'Use first' }).click();
      await expect(row).toContainText('used first');
    });

    await test.step('three trays go to the place that is cold, by taps', async () => {
      await page.getByRole('link', { name: 'Racks' }).first().click();
      const move = async (from: RegExp, to: string) => {
        await page.getByRole('button', { name: /^Walk-in \d/ }).click();
        await page.getByRole('button', { name: from }).first().click();
        await page.getByRole('button', { name: /^Under-counter \d/ }).click();
        await page.getByRole('button', { name: `Put on ${to}`, exact: true }).click();
        await expect(page.getByText(`to ${to}.`).first()).toBeVisible();
      };
      await move(/^YR-1123-A Yard Round, 1 tray,.* at back/, 'inside 5');
      await move(/^YR-1123-A Yard Round, 2 trays,.* at back/, 'inside 6');
      await expect(page.getByRole('button', { name: /^YR-1123-A.* at inside/ })).toHaveCount(2);
    });

    await test.step('a slip of the finger is undone', async () => {
      await page.getByRole('button', { name: /^YR-1123-A.* at inside 6/ }).click();
      await page.getByRole('button', { name: 'Put on inside 1', exact: true }).click();
      await expect(page.getByRole('button', { name: /at inside 1\b/ })).toBeVisible();
      await page.getByRole('button', { name: 'Undo' }).last().click();
      await expect(page.getByRole('button', { name: /^YR-1123-A.* at inside 6/ })).toBeVisible();
    });

    await test.step('another lot is found by its label and discarded whole, with a reason', async () => {
      await page.getByLabel('Lot code').fill(`${server.url}/${house}/walk-in?lot=SL-1123-A`);
      await page.getByLabel('Lot code').press('Enter');
      await expect(page.getByRole('heading', { name: /^SL-1123-A/ })).toBeVisible();
      await page.getByRole('button', { name: 'Discard', exact: true }).click();
      await page.getByRole('button', { name: /^The whole lot: \d trays$/ }).click();
      await page.getByLabel('Why').fill('Nine degrees for five hours.');
      await page.getByLabel('Why').press('Enter');
      await page.getByRole('button', { name: /^Discard \d trays of SL-1123-A$/ }).click();
      await expect(page.getByText(/SL-1123-A: \d trays discarded/).first()).toBeVisible();
      await expect(page.getByRole('button', { name: /^SL-1123-A/ })).toHaveCount(0);
    });

    await test.step('all of it is on record: with the lots, and with the cold', async () => {
      await page.reload();
      await expect(
        page.getByRole('button', { name: /^YR-1123-A.* at back/ }).first(),
      ).toBeVisible();
      await expect(page.getByRole('button', { name: /^SL-1123-A/ })).toHaveCount(0);
      const board = await line.get<ColdBoard>(paths.cold(house));
      const slab = board.lots.find(({ code }) => code === 'SL-1123-A');
      const log = await line.get<LotLog>(paths.lotLog(house, slab?.key ?? ''));
      const gone = log.records.filter(({ content }) => content.kind === 'discarded');
      expect(gone).toMatchObject([{ content: { note: 'Nine degrees for five hours.' } }]);
      await page.goto(at(`log/${slab?.key}`));
      await expect(page.getByText(/14 Slab discarded/)).toBeVisible();
      await page.goto(at('walk-in/record'));
      await expect(page.getByText(/Bashir dealt with it/).first()).toBeVisible();
      await expect(page.getByText(/Coil iced over; technician called/).first()).toBeVisible();
    });

    await test.step('Tonight counts without what was thrown away', async () => {
      await page.goto(at('tonight'));
      const slab = page.getByRole('region', { name: 'Slab' });
      await expect(slab).toContainText('6 needed');
      await expect(slab).toContainText('Nothing to pull.');
    });
    expect(said).toEqual([]);
  } finally {
    await server.stop();
  }
});

test('twenty warm trays are brought in by a plan of two goes', async ({
  page,
  at,
  house,
  request,
}) => {
  const said = watchConsole(page);
  await page.goto(at('walk-in/load-in'));
  await expect(page.getByRole('heading', { name: 'Load in' })).toBeVisible();
  await page.getByRole('combobox', { name: 'What comes in' }).click();
  await page
    .getByRole('option', { name: /Yard Round/ })
    .last()
    .click();
  const trays = page.getByRole('textbox', { name: 'Trays' });
  const bring = async (count: string) => {
    await trays.fill(count);
    await trays.press('Enter');
  };
  const row = (name: RegExp) => page.getByRole('row', { name });
  const warms = async (name: RegExp) =>
    Number.parseFloat(await row(name).getByRole('cell').first().innerText());
  await bring('90');
  await expect(row(/^45 now, 45 after/)).toBeVisible();
  expect(await warms(/^45 now/)).toBeLessThan(await warms(/^All at once, spaced/));
  await bring('20');
  await expect(row(/^10 now, 10 after/)).toBeVisible();
  await expect(row(/^All at once, spaced/)).toBeVisible();
  await expect(page.getByText(/may go in at once, spaced/)).toBeVisible();
  await expect(page.getByText(/Space them: /)).toBeVisible();
  await expectAccessible(page);
  await row(/^10 now, 10 after/)
    .getByRole('button', { name: 'Use this' })
    .click();
  await expect(
    page.getByText(/comes in: 10 trays at \d\d:\d\d, 10 trays at \d\d:\d\d/).first(),
  ).toBeVisible();
  await expect(async () => {
    const answer = await request.get(
      `${process.env['E2E_URL']}${paths.coldRecord(house, { from: '2026-11-19', days: 7 })}`,
    );
    const { notes } = (await answer.json()) as ColdRecord;
    expect(
      notes.some(({ content }) => content.kind === 'action' && /10 trays/.test(content.note)),
    ).toBe(true);
  }).toPass();
  expect(said).toEqual([]);
});

test('a week’s record is printed, and taken out as a table', async ({
  page,
  at,
  house,
  request,
}) => {
  await page.goto(at('walk-in/record'));
  await expect(page.getByRole('heading', { name: 'Temperature log (HACCP)' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /Walk-in, back/ })).toBeVisible();
  await expect(page.getByText(/Bashir dealt with it/).first()).toBeVisible();
  await expectAccessible(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Walk-in' })).toBeHidden();
  const paper = await page.pdf({ format: 'A4' });
  expect(paper.subarray(0, 4).toString()).toBe('%PDF');
  const pages = paper.toString('latin1').match(/\/Type\s*\/Page[^s]/g)?.length ?? 0;
  expect(pages).toBeGreaterThan(0);
  expect(pages).toBeLessThan(5);
  const csv = await request.get(
    `${process.env['E2E_URL']}${paths.coldRecordCsv(house, { from: '2026-11-19', days: 7 })}`,
  );
  expect(await csv.text()).toContain('Walk-in,back,day');
});

test('a hand’s round is written down without a network, and a logger’s file is brought in once', async ({
  page,
  at,
  house,
  request,
  context,
}) => {
  await page.goto(at('walk-in/air'));
  await expect(page.getByRole('heading', { name: 'By hand' })).toBeVisible();
  await test.step('a temperature taken where there is no network waits and is sent', async () => {
    await context.setOffline(true);
    const field = page.getByLabel('Walk-in, middle (°C)');
    await field.fill('4.4');
    await field.press('Enter');
    await expect(page.getByText('Saved: Walk-in, middle, 4.4 °C.').first()).toBeVisible();
    await context.setOffline(false);
    await expect(async () => {
      const answer = await request.get(`${process.env['E2E_URL']}${paths.cold(house)}`);
      const { notes } = (await answer.json()) as ColdBoard;
      expect(notes.map(({ content }) => content)).toContainEqual(
        expect.objectContaining({ kind: 'round', zone: 'middle', airC: 4.4 }),
      );
    }).toPass();
  });

  const startMs = Date.parse(NOW) - 30 * 3_600_000;
  const lines = Array.from({ length: 400 }, (_, i) => {
    const moment = new Date(startMs + i * 61_000).toISOString().slice(0, 19).replace('T', ' ');
    return `walk-in BACK,${moment},${(3 + (i % 5) / 10).toFixed(1)}`;
  });
  const file = {
    name: 'logger.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['Sensor,Time,Temp C', ...lines, 'walk-in BACK,never,3.1'].join('\n')),
  };
  const bring = async () => {
    await page.getByLabel('Logger file').setInputFiles(file);
    await expect(page.getByText(/logger.csv: 401 lines/)).toBeVisible();
  };
  await test.step('its columns are guessed, its faults told, and it is brought in', async () => {
    await bring();
    await page.getByRole('combobox', { name: 'Times are in' }).click();
    await page.getByRole('option', { name: 'UTC' }).click();
    await page.getByRole('button', { name: 'Read the lines' }).click();
    await expect(page.getByText(/400 readings from/)).toBeVisible();
    await expect(page.getByText('Line 402: “never”')).toBeVisible();
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(
      page.getByText(/\d+ readings imported; \d+ were here already/).first(),
    ).toBeVisible();
  });
  await test.step('the same file again adds nothing, and its columns are remembered', async () => {
    await bring();
    await expect(page.getByText('Columns like last time.')).toBeVisible();
    await page.getByRole('button', { name: 'Read the lines' }).click();
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(
      page.getByText('0 readings imported; 400 were here already.').first(),
    ).toBeVisible();
  });
});

test('what might happen to the cold is shown side by side, and a room learns from its readings', async ({
  page,
  at,
}) => {
  await page.goto(at('walk-in/what-if'));
  const row = page.getByRole('row', { name: /^YR-1125-A Yard Round/ });
  await expect(row).toBeVisible();
  await page.getByRole('combobox', { name: 'What happens' }).click();
  await page.getByRole('option', { name: 'No power, people go in and out' }).click();
  const hours = page.getByRole('textbox', { name: 'For' });
  await hours.fill('12');
  await hours.press('Enter');
  await expect(row).toContainText(/earlier|not open well/);
  await page.getByRole('combobox', { name: 'What happens' }).click();
  await page.getByRole('option', { name: /^Set 1\s°C colder/ }).click();
  await expect(row).toContainText(/later|unchanged/);
  await expectAccessible(page);

  await page.goto(at('walk-in/places'));
  await page.getByRole('button', { name: 'Calibrate from readings' }).first().click();
  await expect(page.getByText(/Model is off by/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByText(/is calibrated/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expectAccessible(page);
  await test.step('a place is added, retired, and brought back', async () => {
    await page.getByRole('button', { name: 'Add a place' }).click();
    await page.getByRole('textbox', { name: 'Place' }).fill('Drawer');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('row', { name: /^Drawer/ })).toBeVisible();
    await page.getByRole('button', { name: 'Change Drawer' }).click();
    await page.getByRole('button', { name: 'Retire' }).click();
    await expect(page.getByRole('row', { name: /^Drawer/ })).toHaveCount(0);
    await page.getByText('Retired places: 1').click();
    await page.getByRole('button', { name: 'Bring back Drawer' }).click();
    await expect(page.getByRole('row', { name: /^Drawer/ })).toBeVisible();
    await expect(page.getByText('Retired places: 1')).toHaveCount(0);
    await page.getByRole('button', { name: 'Change Walk-in', exact: true }).click();
    await page.getByRole('button', { name: 'Retire' }).click();
    await expect(page.getByRole('alert')).toContainText('A probe hangs there');
    await page.getByRole('button', { name: 'Cancel' }).click();
  });
});
