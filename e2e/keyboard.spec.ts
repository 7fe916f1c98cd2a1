import { paths, type Handover, type Lot } from '@calm/contract';
import { Hands } from './hands';
import { expect, sessionOf, test } from './house';

/*
 * The same work as elsewhere, without a pointer and without eyes: one way to the first page, then keys only, and
 * everything is found by the role and name a screen reader says, and known to be done by what it is told to say.
 */

test('a week is planned by keyboard, and by what is read out', async ({
  page,
  at,
  request,
  house,
}) => {
  const hands = await Hands.at(page, at('tonight'));
  await test.step('to the plan', async () => {
    await hands.use('link', /^Plan/);
    await hands.arrive(/Plan/);
  });

  await test.step('it is made, and said to fit', async () => {
    await hands.use('button', /^Make the schedule$/);
    await hands.hear(/of the best\.|This is the best plan/);
    await hands.hear(/Everything fits/);
  });

  const balling = /^Yard dough for Sat 28 Nov: .*Divide and ball/;
  await test.step('a step is found by arrow keys, moved, heard, and moved back', async () => {
    await hands.reach('button', /: .*(Mix|Weigh|Pull|Divide)/);
    await hands.press('Home');
    await hands.walkTo(balling);
    const before = await hands.focus();
    await hands.press('Shift+ArrowRight');
    await expect.poll(() => hands.focus()).not.toEqual(before);
    await hands.press('Control+z');
    await expect.poll(() => hands.focus()).toEqual(before);
  });

  await test.step('it is published; who gets what is read first', async () => {
    await hands.use('button', /^Publish…$/, 'Shift+Tab');
    await hands.inDialog(/What changes for whom/);
    await hands.use('button', /^Publish$/);
    await hands.hear(/Published\. This is now the crew’s plan\./);
    const answer = await request.get(`${process.env['E2E_URL']}${paths.plan(house)}`);
    expect(JSON.stringify(await answer.json())).toContain('2026-11-28');
  });

  await test.step('the pages for the wall are one menu away', async () => {
    await hands.use('button', /^Export \/ print…$/, 'Shift+Tab');
    await hands.reach('menuitem', /^Print days$/, 'ArrowDown');
    await hands.press('Enter');
    await hands.arrive(/Plan|Print|days/);
  });
});

test('an evening is served by keyboard, and by what is read out', async ({
  page,
  at,
  context,
  request,
  house,
}) => {
  await context.clearCookies();
  await context.addCookies([await sessionOf(house, 'Ossian')]);
  const hands = await Hands.at(page, at('tonight'));
  await test.step('the first wave is pulled', async () => {
    await hands.skipToContent();
    await hands.use('button', /^Pull \d+ trays?/);
    await hands.hear(/trays? of .* pulled/);
  });

  await test.step('a late load is started; a step is begun, given time, and done', async () => {
    await hands.use('link', /^Mix/);
    await hands.arrive(/Mix/);
    await hands.skipToContent();
    await hands.use('link', /Slab dough.*for Fri 27 Nov/);
    await hands.arrive(/Slab/);
    await hands.use('button', /^Start this lot$/);
    await hands.hear(/Started: SL-1125-A\./);
    await hands.use('button', /^Start$/);
    await hands.use('button', /^Two more minutes$/);
    await hands.hear(/2 more minutes/);
    await hands.use('button', /^Done$/);
  });

  await test.step('the dough’s temperature is written down', async () => {
    await hands.reach('textbox', /^Dough temperature/);
    await hands.type('27.4');
    await hands.press('Enter');
    await hands.hear(/it will run ahead/);
    const slab = async () => {
      const asked = paths.lots(house, { from: '2026-11-26', days: 2 });
      const lots = (await (await request.get(`${process.env['E2E_URL']}${asked}`)).json()) as Lot[];
      return lots.find(({ code }) => code === 'SL-1125-A');
    };
    await expect.poll(async () => (await slab())?.loads[0]?.doughOutC).toBe(27.4);
  });

  await test.step('the shift is handed over', async () => {
    await hands.use('link', /^Crew/);
    await hands.arrive(/Crew/);
    await hands.skipToContent();
    await hands.use('link', /Handover/);
    await hands.arrive(/Handover/);
    await hands.reach('textbox', /^Anything else/);
    await hands.type('Semolina is nearly out');
    await hands.use('button', /^Send handover$/);
    await hands.hear(/[Ss]ent|handed over/);
    const address = `${process.env['E2E_URL']}${paths.handovers(house)}`;
    const handovers = (await (await request.get(address)).json()) as Handover[];
    expect(JSON.stringify(handovers[0])).toContain('Semolina is nearly out');
  });

  await test.step('how a lot turned out is kept', async () => {
    await hands.use('link', /^Log/);
    await hands.arrive(/Log/);
    await hands.skipToContent();
    await hands.use('link', /^CR-1124-A/);
    await hands.arrive(/CR-1124-A/);
    await hands.use('button', /^springs back$/);
    await hands.hear(/springs back/);
  });
});
