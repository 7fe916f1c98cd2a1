import { dateOfService, instantOfMinute, localTimeOf, personOf, recordOf } from '@calm/domain';
import type { DisplayPreferences, House, HouseBook, PublishedPlan } from '@calm/contract';
import words from '@calm/domain/words/en/trade.json' with { type: 'json' };
import type { PlannedLot, PlannedStep } from '@calm/core';
import ical from 'ical-generator';
import { writeCsv } from '@calm/domain/files';
import { readBook } from '../../store/house/houses';
import { reader } from '../../notify/texts';
import { readPlan } from '../../store/plan/plans';
import type { Scope } from '../../database/scope';

interface PlannedWork {
  readonly lot: PlannedLot;
  readonly step: PlannedStep;
}

const worksOf = ({ content }: PublishedPlan): PlannedWork[] =>
  content.lots
    .flatMap((lot) => lot.steps.map((step) => ({ lot, step })))
    .sort((a, b) => a.step.startMin - b.step.startMin);

const doughName = ({ formulas }: Pick<HouseBook, 'formulas'>, { doughId }: PlannedLot): string =>
  formulas.find(({ id }) => id === doughId.split('/')[0])?.name ?? doughId;

const namesOf = (
  book: Pick<HouseBook, 'people' | 'formerPeople'>,
  { personIds }: PlannedStep,
): string[] => personIds.map((id) => personOf(book, id)?.name ?? id);

/** The service a step is for, or every one of its lot: local dates. */
const datesFor = ({ lot, step }: PlannedWork): string[] => [
  ...new Set((step.serviceId === null ? lot.serviceIds : [step.serviceId]).map(dateOfService)),
];

/**
 * The steps of the plan that the house works by as a calendar (RFC 5545): one person's, or everybody's.
 *
 * @param personId null is the whole house
 * @param preferences of whoever reads it; as the house reads when null
 */
export async function planCalendar(
  scope: Scope,
  house: House,
  personId: string | null,
  preferences: DisplayPreferences | null,
): Promise<string> {
  const [plan, book] = [await readPlan(scope), await readBook(scope, house)];
  const person = book.people.find(({ id }) => id === personId);
  const name = [house.name, person?.name].filter(Boolean).join(', ');
  const says = reader(house, preferences);
  const calendar = ical({ name, prodId: { company: 'Calm Tray', product: 'plan' } });
  for (const work of worksOf(plan)) {
    const { lot, step } = work;
    if (personId !== null && !step.personIds.includes(personId)) continue;
    calendar.createEvent({
      id: `${lot.id}/${step.stage}/${step.serviceId ?? ''}@${house.slug}.calm-tray`,
      start: new Date(instantOfMinute(step.startMin)),
      end: new Date(instantOfMinute(step.endMin)),
      stamp: new Date(plan.publishedAt ?? 0),
      sequence: plan.version,
      summary: `${says.work(step.key)}: ${doughName(book, lot)}`,
      description: [says.forDates(datesFor(work)), says.names(namesOf(book, step))].join('\n'),
      location: house.name,
    });
  }
  return calendar.toString();
}

/** The same steps as a table, in local time. */
export async function planCsv(scope: Scope, house: House): Promise<string> {
  const [plan, book] = [await readPlan(scope), await readBook(scope, house)];
  const rows = worksOf(plan).map((work) => {
    const { lot, step } = work;
    return {
      start: localTimeOf(new Date(instantOfMinute(step.startMin)), house.timeZone),
      end: localTimeOf(new Date(instantOfMinute(step.endMin)), house.timeZone),
      work: words.work[step.key],
      dough: doughName(book, lot),
      for: datesFor(work).join(' '),
      people: namesOf(book, step).join(' '),
      mixer: recordOf(book, 'mixers', step.mixerId)?.name ?? '',
      'dough (kg)': lot.doughKg.toFixed(3),
      loads: lot.loads,
    };
  });
  return writeCsv(rows);
}
