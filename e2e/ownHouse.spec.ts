import { paths, type HouseSummary } from '@calm/contract';
import { expect } from '@playwright/test';
import { expectAccessible, watchConsole } from './house';
import { begin, begunLot, planTheWeek, serveLot, test } from './ownHouse';

test('a house is typed from nothing: one small planetary, one fridge, one person, three formulas', async ({
  page,
  server,
}) => {
  const said = watchConsole(page);
  const hands = await begin(page, server, 'Bell & Oar');
  const at = (path: string) => `${server.url}/bell-oar/${path}`;

  await test.step('what is still to do is said, in order', async () => {
    const list = page.getByRole('region', { name: 'Set up the house' });
    await expect(list.getByText('0 of 11 done', { exact: false })).toBeVisible();
    await expectAccessible(page);
  });
  await test.step('a mixer by its maker’s name, a fridge, a bench', async () => {
    await hands.follow('A mixer, or your hands');
    await hands.press('Add a mixer');
    await hands.type('Name', '20-quart planetary');
    await expect(page.getByRole('textbox', { name: /Dough at most/ })).toHaveValue('6.5');
    await hands.save();
    await expect(page.getByRole('row', { name: /20-quart planetary planetary/ })).toBeVisible();
    await hands.follow('Places where dough rests');
    await hands.press('Add a place');
    await hands.type('Place', 'Under-counter');
    await hands.save();
    await expect(page.getByRole('row', { name: /Under-counter/ })).toBeVisible();
    await hands.press('Add a place');
    await hands.type('Place', 'Bench');
    await hands.type('Tubs that also fit', '6');
    await hands.uncheck('Cooled');
    await hands.save();
    await expect(page.getByRole('row', { name: /Bench .*not cooled/ })).toBeVisible();
  });
  await test.step('flour from a bag’s label', async () => {
    await page.goto(at('formulas/pantry'));
    await hands.press('Add an ingredient');
    await hands.type('Name', 'quay white');
    await hands.type('quay white, Cost (/kg)', '1.1');
    await hands.type('quay white, Bag (kg)', '25');
    await hands.turn('A flour');
    await hands.type('quay white, Strength (W)', '300');
    await hands.type('Allergens, with commas', 'wheat (gluten)');
  });
  await test.step('two routes of the trade, as one person goes them', async () => {
    for (const [route, saved] of [
      ['bulk-first, cold balls', 'bulk-first, cold balls'],
      ['pre-ferment, in the pan', 'pre-ferment, in the pan'],
    ] as const) {
      await page.goto(at('formulas/routes'));
      await hands.press('New route');
      await hands.pick(route);
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(saved);
      await hands.press('Save route');
      await expect(page.getByText(`Created: ${saved}.`).first()).toBeVisible();
    }
  });
  /** On the page of its formula. */
  const product = async (name: string, route: string, weightG: string) => {
    await hands.press('Add a product');
    await hands.type('Name', name);
    await hands.choose('Route', route);
    await hands.type('Ball weight (g)', weightG);
    await hands.save();
    await expect(page.getByText(`Created: ${name}.`).first()).toBeVisible();
  };
  await test.step('three formulas: with oil, with a pre-ferment, by the litre', async () => {
    const formula = async (name: string, code: string) => {
      await page.goto(at('formulas'));
      await hands.press('New formula');
      await hands.type('Name', name);
      await hands.type('Lot code', code);
      await hands.press('Create formula');
      await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
    };
    const saved = async (version: number) => {
      await hands.press(`Save as version ${version}`);
      await expect(
        page.getByText(new RegExp(`Saved: .*, version ${version}`)).first(),
      ).toBeVisible();
    };
    await formula('Quay dough', 'QD');
    await hands.type('Water (%)', '62');
    await hands.type('Oil (%)', '2');
    await saved(2);
    await product('Quay Round', 'bulk-first, cold balls', '260');
    await formula('Pan dough', 'PD');
    await hands.press('Add a pre-ferment');
    await hands.type('Share of the flour (%)', '25');
    await saved(2);
    await product('Quay Pan', 'pre-ferment, in the pan', '420');
    await formula('Litre dough', 'LD');
    await hands.press('Per litre of water');
    await hands.type('Salt (g/L)', '45');
    await saved(2);
    await product('Litre Round', 'bulk-first, cold balls', '240');
  });
  await test.step('five evenings at once, with what usually goes', async () => {
    await page.goto(at('demand/services'));
    await hands.press('Add a service');
    await hands.type('Name', 'Evening');
    for (const day of ['Tue', 'Wed', 'Thu', 'Fri', 'Sat']) await hands.press(day);
    await hands.type('Quay Round', '14');
    await hands.save();
    await expect(page.getByRole('button', { name: /Evening 17:30–22:30/ })).toHaveCount(5);
    await expectAccessible(page);
  });
  await test.step('one person’s week', async () => {
    await page.goto(at('crew'));
    for (const day of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']) {
      await hands.press(`Add a shift for Odile Marr, ${day}`);
      await hands.save();
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
  });
  await test.step('the week is planned, and published', async () => {
    const { content } = await planTheWeek(page, hands, server.url, 'bell-oar');
    expect(content.lots.length).toBeGreaterThan(2);
  });
  await test.step('its first sheet is printed, and a load weighed', async () => {
    await page.goto(at('mix/2026-11-27/quay-round/paper'));
    await expect(page.getByRole('heading', { name: /^Quay dough for Fri 27 Nov/ })).toBeVisible();
    expect((await page.pdf({ format: 'A4' })).subarray(0, 4).toString()).toBe('%PDF');
    await page.goto(at('mix/2026-11-27/quay-round'));
    await hands.press(/^Start/, false);
    await hands.follow('Weigh off');
    const typed = page.getByRole('textbox', { name: /Or type what another scale shows/ });
    await typed.fill('2300');
    await typed.press('Enter');
    await expect(page.getByRole('button', { name: /^quay white.*79\s?g over/ })).toBeVisible();
    await expectAccessible(page);
  });
  console.log(`${hands.count()} interactions`);
  expect(hands.count()).toBeLessThan(150);
  const houses = (await (
    await page.request.get(`${server.url}${paths.houses()}`)
  ).json()) as HouseSummary[];
  expect(houses).toHaveLength(1);
  expect(said).toEqual([]);
  await test.step('its trays are pulled, and it is said how it turned out', async () => {
    const lot = await begunLot(page, server.url, 'bell-oar');
    await serveLot(page, server, 'bell-oar', lot, 0.5);
  });
});
