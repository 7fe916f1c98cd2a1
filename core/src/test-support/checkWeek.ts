import type { WorkStage } from '../formula/route';
import type { PlannedLot, WeekPlan, WeekProblem } from '../schedule/problem/problem';

/*
 * Looks a plan over as a stranger would, minute by minute from the problem's own words. It shares nothing
 * with what makes plans but the shape of the data.
 */

/** A rule that a plan breaks, in plain words. */
export type Breach = string;

/** Every hard rule that a plan breaks; empty when it may be published. */
export function checkWeek(problem: WeekProblem, plan: WeekPlan): Breach[] {
  return [
    ...demandBreaches(problem, plan),
    ...plan.lots.flatMap((lot) => wayBreaches(problem, lot)),
    ...peopleBreaches(problem, plan),
    ...mixerBreaches(problem, plan),
    ...roomBreaches(problem, plan),
  ];
}

function demandBreaches({ wanted, products, services }: WeekProblem, plan: WeekPlan): Breach[] {
  const asked = new Set<string>();
  for (const { serviceId, productId, count } of wanted) {
    const product = products.find(({ id }) => id === productId);
    const isService = services.some(({ id }) => id === serviceId);
    if (count > 0 && product && isService) asked.add(`${product.doughId}@${serviceId}`);
  }
  const answered = new Map<string, number>();
  for (const { doughId, serviceIds } of plan.lots) {
    for (const id of serviceIds) {
      const key = `${doughId}@${id}`;
      answered.set(key, (answered.get(key) ?? 0) + 1);
    }
  }
  const open = new Set(plan.open.map(({ doughId, serviceId }) => `${doughId}@${serviceId}`));
  return [
    ...[...asked].flatMap((key) => {
      const times = answered.get(key) ?? 0;
      if (open.has(key)) return times > 0 ? [`${key} is open and planned`] : [];
      return times === 1 ? [] : [`${key} is planned ${times} times`];
    }),
    ...[...answered.keys()].filter((key) => !asked.has(key)).map((key) => `nobody wants ${key}`),
  ];
}

/** Minutes that a stage of work takes, from its own rate. */
function minutesOf({ rate }: WorkStage, loads: number, balls: number): number {
  const { fixedMin, perLoadMin = 0, perHundredBallsMin = 0 } = rate;
  return Math.max(
    1,
    Math.round(fixedMin + perLoadMin * loads + (perHundredBallsMin * balls) / 100),
  );
}

/** One lot along its route: every stage there, in order, without a gap, within its hours. */
function wayBreaches(problem: WeekProblem, lot: PlannedLot): Breach[] {
  const dough = problem.doughs.find(({ id }) => id === lot.doughId);
  if (!dough) return [`${lot.id}: no such dough`];
  const breaches: Breach[] = [];
  const say = (what: string) => breaches.push(`${lot.id}: ${what}`);
  const ballsOf = (serviceId: string) =>
    problem.wanted
      .filter((want) => want.serviceId === serviceId)
      .reduce((sum, { productId, count }) => {
        const product = problem.products.find(({ id }) => id === productId);
        return product?.doughId === dough.id ? sum + count : sum;
      }, 0);
  const allBalls = lot.serviceIds.reduce((sum, id) => sum + ballsOf(id), 0);
  const branchAt = lot.rests.reduce(
    (least, { stage, serviceId }) => (serviceId !== null ? Math.min(least, stage) : least),
    dough.route.length,
  );
  for (const serviceId of lot.serviceIds) {
    const service = problem.services.find(({ id }) => id === serviceId);
    if (!service) {
      say(`no service ${serviceId}`);
      continue;
    }
    let at: number | null = null;
    dough.route.forEach((stage, index) => {
      const whose = index < branchAt ? null : serviceId;
      const isThis = (each: { stage: number; serviceId: string | null }) =>
        each.stage === index && each.serviceId === whose;
      const found = (stage.kind === 'work' ? lot.steps : lot.rests).filter(isThis);
      const [one] = found;
      if (!one || found.length !== 1) {
        say(`stage ${index} is there ${found.length} times`);
        return;
      }
      if (at !== null && one.startMin !== at)
        say(`stage ${index} begins at ${one.startMin}, not ${at}`);
      if (one.startMin < problem.nowMin) say(`stage ${index} begins before now`);
      at = one.endMin;
      const minutes = one.endMin - one.startMin;
      if (stage.kind === 'work') {
        const needs = minutesOf(stage, lot.loads, whose === null ? allBalls : ballsOf(serviceId));
        if (minutes < needs) say(`stage ${index} has ${minutes} min and needs ${needs}`);
        if (minutes >= needs + 15) say(`stage ${index} has ${minutes} min and needs only ${needs}`);
      } else {
        const { least, most } = stage.hours;
        const isWithin =
          minutes >= least * 60 - 0.01 && minutes <= Math.max(most, least + 0.25) * 60 + 0.01;
        if (!isWithin) say(`stage ${index} rests ${minutes} min, not ${least} to ${most} h`);
      }
    });
    const doors = Math.floor(service.startMin / 15) * 15;
    if (at !== doors) say(`ready at ${String(at)}, doors at ${doors}`);
  }
  return breaches;
}

interface Busy {
  readonly startMin: number;
  readonly endMin: number;
  readonly what: string;
}

function overlaps(who: string, list: readonly Busy[]): Breach[] {
  const sorted = [...list].sort((a, b) => a.startMin - b.startMin);
  return sorted.flatMap((one, i) => {
    const next = sorted[i + 1];
    return next && next.startMin < one.endMin
      ? [`${who}: ${one.what} and ${next.what} at once`]
      : [];
  });
}

function peopleBreaches({ people, frozenWorks, doughs }: WeekProblem, plan: WeekPlan): Breach[] {
  const busy = new Map<string, Busy[]>(people.map(({ id }) => [id, []]));
  const breaches: Breach[] = [];
  for (const { id, doughId, steps } of plan.lots) {
    for (const step of steps) {
      const what = `${id} ${step.key}`;
      const stage = doughs.find((dough) => dough.id === doughId)?.route[step.stage];
      const wanted = stage?.kind === 'work' ? stage.people : NaN;
      if (new Set(step.personIds).size !== wanted)
        breaches.push(`${what}: ${step.personIds.length} people`);
      for (const personId of step.personIds) {
        const person = people.find((each) => each.id === personId);
        if (!person) {
          breaches.push(`${what}: nobody is called ${personId}`);
          continue;
        }
        if (stage?.kind === 'work' && !person.skills.includes(stage.skill)) {
          breaches.push(`${what}: ${personId} cannot ${stage.skill}`);
        }
        const isIn =
          coveredMin(person.shifts, step.startMin, step.endMin) === step.endMin - step.startMin;
        if (!isIn) breaches.push(`${what}: ${personId} is not in`);
        busy.get(personId)?.push({ startMin: step.startMin, endMin: step.endMin, what });
      }
    }
  }
  for (const { personIds, startMin, endMin } of frozenWorks) {
    for (const id of personIds) busy.get(id)?.push({ startMin, endMin, what: 'work under way' });
  }
  return [...breaches, ...[...busy].flatMap(([id, list]) => overlaps(id, list))];
}

/** Minutes of a stretch that shifts cover; shifts that touch count as one. */
function coveredMin(
  shifts: readonly { readonly startMin: number; readonly endMin: number }[],
  from: number,
  to: number,
): number {
  let covered = 0;
  let at = from;
  for (const { startMin, endMin } of [...shifts].sort((a, b) => a.startMin - b.startMin)) {
    const [begin, end] = [Math.max(at, startMin), Math.min(to, endMin)];
    if (end <= begin) continue;
    covered += end - begin;
    at = end;
  }
  return covered;
}

function mixerBreaches({ doughs, frozenWorks }: WeekProblem, plan: WeekPlan): Breach[] {
  const busy = new Map<string, Busy[]>();
  const note = (id: string, one: Busy) => busy.set(id, [...(busy.get(id) ?? []), one]);
  const breaches: Breach[] = [];
  for (const lot of plan.lots) {
    const mixer = doughs
      .find(({ id }) => id === lot.doughId)
      ?.mixers.find(({ mixerId }) => mixerId === lot.mixerId);
    const loadKg = lot.doughKg / lot.loads;
    if (!mixer) breaches.push(`${lot.id}: not in mixer ${lot.mixerId}`);
    else if (loadKg > mixer.maxDoughKg + 1e-6 || loadKg < mixer.minDoughKg - 1e-6) {
      breaches.push(`${lot.id}: a load of ${loadKg} kg in ${lot.mixerId}`);
    }
    for (const { key, startMin, endMin, mixerId } of lot.steps) {
      const isMixed = key === 'mix' || key === 'preferment-mix';
      if (isMixed !== (mixerId !== null)) breaches.push(`${lot.id}: ${key} and its mixer`);
      if (mixerId !== null) note(mixerId, { startMin, endMin, what: `${lot.id} ${key}` });
    }
  }
  for (const { mixerId, startMin, endMin } of frozenWorks) {
    if (mixerId !== null) note(mixerId, { startMin, endMin, what: 'work under way' });
  }
  return [...breaches, ...[...busy].flatMap(([id, list]) => overlaps(id, list))];
}

interface Taking {
  readonly startMin: number;
  readonly endMin: number;
  readonly amount: number;
}

/** The most that is taken at any moment. */
function peak(takings: readonly Taking[]): number {
  const moments = takings.flatMap(({ startMin, endMin, amount }) => [
    { min: startMin, by: amount },
    { min: endMin, by: -amount },
  ]);
  moments.sort((a, b) => a.min - b.min || a.by - b.by);
  let [now, most] = [0, 0];
  for (const { by } of moments) {
    now += by;
    most = Math.max(most, now);
  }
  return most;
}

const BENCH_WORK = ['divide-ball', 'pan', 'sheet'];

function roomBreaches(problem: WeekProblem, plan: WeekPlan): Breach[] {
  const breaches: Breach[] = [];
  const bench = plan.lots
    .flatMap(({ steps }) => steps)
    .filter(({ key }) => BENCH_WORK.includes(key))
    .map(({ startMin, endMin, personIds }) => ({ startMin, endMin, amount: personIds.length }));
  const frozen = problem.frozenWorks.map(({ startMin, endMin, bench: amount }) => ({
    startMin,
    endMin,
    amount,
  }));
  const most = peak([...bench, ...frozen]);
  if (most > problem.benchPlaces)
    breaches.push(`${most} people at a bench for ${problem.benchPlaces}`);
  for (const place of problem.places) {
    const here = [...plan.lots.flatMap(({ rests }) => rests), ...problem.frozenRests].filter(
      (rest) => rest.place === place.name,
    );
    const trays = peak(here.map((rest) => ({ ...rest, amount: rest.trays })));
    const tubs = peak(here.map((rest) => ({ ...rest, amount: rest.tubs })));
    if (trays > place.trays)
      breaches.push(`${place.name}: ${trays} trays where ${place.trays} fit`);
    if (tubs > place.tubs) breaches.push(`${place.name}: ${tubs} tubs where ${place.tubs} fit`);
  }
  return [...breaches, ...traysMissing(problem, plan)];
}

/** Balls that rest on fewer trays than they need. */
function traysMissing({ wanted, products }: WeekProblem, plan: WeekPlan): Breach[] {
  const traysOf = (doughId: string, serviceId: string) =>
    wanted.reduce((sum, want) => {
      const product = products.find(({ id }) => id === want.productId);
      const isHere = want.serviceId === serviceId && product?.doughId === doughId;
      return isHere && product ? sum + Math.ceil(want.count / product.ballsPerTray) : sum;
    }, 0);
  return plan.lots.flatMap((lot) =>
    lot.rests.flatMap(({ container, serviceId, trays, stage }) => {
      if (container === 'tub' || serviceId === null) return [];
      const needs = traysOf(lot.doughId, serviceId);
      return trays >= needs ? [] : [`${lot.id}: stage ${stage} on ${trays} trays of ${needs}`];
    }),
  );
}
