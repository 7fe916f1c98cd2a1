import type { Skill } from '../../formula/route';
import type { WeekProblem } from './problem';

/** What is wrong with a week's own words, before anybody tries to plan it. */
export type WeekFault =
  | { readonly kind: 'service-past'; readonly serviceId: string }
  | { readonly kind: 'no-such-product'; readonly productId: string }
  | { readonly kind: 'no-such-dough'; readonly productId: string; readonly doughId: string }
  | { readonly kind: 'no-such-service'; readonly serviceId: string }
  | { readonly kind: 'no-mixer'; readonly doughId: string }
  | { readonly kind: 'nobody-can'; readonly skill: Skill; readonly doughId: string }
  | { readonly kind: 'too-few-can'; readonly skill: Skill; readonly doughId: string }
  | { readonly kind: 'no-skills'; readonly personId: string }
  | { readonly kind: 'hours-crossed'; readonly doughId: string; readonly stage: number }
  | { readonly kind: 'no-rest'; readonly doughId: string }
  | { readonly kind: 'no-trays'; readonly place: string }
  | { readonly kind: 'shift-backwards'; readonly personId: string };

/** Names everything that makes a week senseless; each is mended where it was written. */
export function weekFaults(problem: WeekProblem): WeekFault[] {
  const { services, wanted, products, doughs, people, places, nowMin } = problem;
  const asked = wanted.filter(({ count }) => count > 0);
  const faults: WeekFault[] = [];
  for (const { id, startMin } of services) {
    const isWanted = asked.some(({ serviceId }) => serviceId === id);
    if (isWanted && startMin < nowMin) faults.push({ kind: 'service-past', serviceId: id });
  }
  for (const { productId, serviceId } of asked) {
    const product = products.find(({ id }) => id === productId);
    if (!product) faults.push({ kind: 'no-such-product', productId });
    else if (!doughs.some(({ id }) => id === product.doughId)) {
      faults.push({ kind: 'no-such-dough', productId, doughId: product.doughId });
    }
    if (!services.some(({ id }) => id === serviceId)) {
      faults.push({ kind: 'no-such-service', serviceId });
    }
  }
  for (const { id: doughId, route, mixers } of doughs) {
    if (!products.some((product) => product.doughId === doughId)) continue;
    if (mixers.length === 0) faults.push({ kind: 'no-mixer', doughId });
    if (!route.some(({ kind }) => kind === 'rest')) faults.push({ kind: 'no-rest', doughId });
    route.forEach((stage, i) => {
      if (stage.kind === 'rest') {
        const { least, preferred, most } = stage.hours;
        if (!(least <= preferred && preferred <= most)) {
          faults.push({ kind: 'hours-crossed', doughId, stage: i });
        }
        return;
      }
      const { skill } = stage;
      const able = people.filter(({ skills }) => skills.includes(skill)).length;
      const isKnown = faults.some(
        (fault) => 'skill' in fault && fault.skill === skill && fault.doughId === doughId,
      );
      if (isKnown || able >= stage.people) return;
      faults.push({ kind: able === 0 ? 'nobody-can' : 'too-few-can', skill, doughId });
    });
  }
  for (const { id: personId, skills, shifts } of people) {
    if (skills.length === 0) faults.push({ kind: 'no-skills', personId });
    if (shifts.some(({ startMin, endMin }) => endMin <= startMin)) {
      faults.push({ kind: 'shift-backwards', personId });
    }
  }
  for (const { name, trays, tubs } of places) {
    const isUsed = doughs.some(({ route }) =>
      route.some((stage) => stage.kind === 'rest' && stage.place === name),
    );
    if (isUsed && trays <= 0 && tubs <= 0) faults.push({ kind: 'no-trays', place: name });
  }
  return faults;
}
