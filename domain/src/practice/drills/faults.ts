import type { FaultyLotDocument, HouseBook } from '@calm/contract';
import type { Fault, Random } from '@calm/core';
import { diagnoseDocument } from '../../learn/diagnoseDocument';
import { eveningDoughs } from '../readingDoughs';
import type { ChoiceOption, ChoiceQuestion, QuestionFacts } from './question';
import { shuffled } from './shuffled';

const OPTIONS = 4;

/** A lot that was not as it should be: what was seen, and what is on record of it. */
interface FaultCase {
  readonly about: string;
  readonly fault: Fault;
  readonly record: (dough: FaultyLotDocument['dough']) => Omit<FaultyLotDocument, 'dough'>;
  readonly told: QuestionFacts;
}

const weighed = (ingredient: 'yeast' | 'salt' | 'water', grams: number, wantedG: number) => ({
  weighed: [{ ingredient, grams, wantedG }],
});

const CASES: readonly FaultCase[] = [
  {
    about: 'yeast-short',
    fault: 'did-not-rise',
    record: () => weighed('yeast', 8, 22),
    told: { grams: { weighed: 8, wanted: 22 } },
  },
  {
    about: 'yeast-over',
    fault: 'rose-and-fell',
    record: () => weighed('yeast', 45, 22),
    told: { grams: { weighed: 45, wanted: 22 } },
  },
  {
    about: 'water-hot',
    fault: 'did-not-rise',
    record: () => ({ waterTempC: 58 }),
    told: { tempsC: { water: 58 } },
  },
  {
    about: 'salt-missing',
    fault: 'sticky-slack',
    record: () => weighed('salt', 0, 260),
    told: { grams: { weighed: 0, wanted: 260 } },
  },
  {
    about: 'water-over',
    fault: 'sticky-slack',
    record: () => weighed('water', 7200, 6200),
    told: { grams: { weighed: 7200, wanted: 6200 } },
  },
  { about: 'uncovered', fault: 'dry-skin', record: () => ({ cover: 'open' }), told: {} },
  {
    about: 'cold-core',
    fault: 'springs-back',
    record: ({ stages }) => ({
      opened: { hour: stages.reduce((sum, { hours }) => sum + hours, 0), coreTempC: 6 },
    }),
    told: { tempsC: { core: 6 } },
  },
];

/** What was behind a fault, by what is on record: the likelier, the more it is worth. */
export function faultQuestion(book: HouseBook, random: Random): ChoiceQuestion | null {
  const [dough] = eveningDoughs(book);
  const drawn = CASES[Math.floor(random.uniform() * CASES.length)];
  if (!dough || !drawn) return null;
  const { about, fault, record, told } = drawn;
  const lot = { dough: dough.document, ...record(dough.document) };
  const answer = diagnoseDocument({ faults: [fault], lot });
  if (!answer.ok) return null;
  const causes = answer.value.causes.filter(({ cause }) => cause !== 'none').slice(0, OPTIONS);
  const most = Math.max(1e-9, ...causes.map(({ odds }) => odds));
  const options = causes.map(({ cause, odds }): ChoiceOption => ({
    key: `cause.${cause}`,
    worth: odds / most,
  }));
  return {
    kind: 'choice',
    skill: 'faults',
    about: `fault.${about}`,
    told: { ...told, names: { fault } },
    options: shuffled(options, random),
  };
}
