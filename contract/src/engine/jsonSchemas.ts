import type { ObjectSchema } from 'joi';
import { jsonSchemaOf } from '../api/openApi';
import { bookFileSchema } from '../book/bookFileSchemas';
import { adviseSchema, equivalentSchema } from './adviceSchemas';
import { diagnoseSchema } from './diagnosisSchemas';
import { doseSchema, simulateSchema } from './doughSchemas';
import { learnSchema, narrowSchema } from './observedSchemas';
import { readySchema, scaleSchema, waterSchema, waveSchema } from './engineSchemas';
import { weekSchema } from '../plan/weekSchemas';
import { practiceWeekSchema, situationSchema } from '../practice/practiceSchemas';

/** What is read from outside: the commands' inputs and files, with what a JSON Schema cannot say. */
const FORMATS: Readonly<Record<string, { schema: ObjectSchema; description: string }>> = {
  scale: {
    schema: scaleSchema,
    description:
      'Input of calm scale: ball counts to weighed loads. Flours sum to 100 percent; percentages are of total flour.',
  },
  water: {
    schema: waterSchema,
    description: 'Input of calm water: temperatures in °C, masses in g.',
  },
  wave: {
    schema: waveSchema,
    description:
      'Input of calm wave: what a service is expected to take, what is out, and what is in the cold. Minutes are on one clock; the service ends after it begins.',
  },
  ready: {
    schema: readySchema,
    description:
      'Input of calm ready: what services sold, and since when nothing was left. Either cover or costs.',
  },
  simulate: {
    schema: simulateSchema,
    description:
      'Input of calm simulate: a dough and the stages it goes through. Flours sum to 100 percent; massKg only in bulk stages; in a target riseMin ≤ risePeak ≤ riseMax.',
  },
  plan: {
    schema: weekSchema,
    description:
      'Input of calm plan: a week to be planned. Moments are ISO 8601; a stretch ends after it has begun; hours go least ≤ preferred ≤ most. A dough with a formula is dosed for the times it is planned at.',
  },
  learn: {
    schema: learnSchema,
    description:
      'Input of calm learn: lots as they went, with what was measured and seen of them. Hours count from the mixer; a rise is volumes since the last shaping.',
  },
  narrow: {
    schema: narrowSchema,
    description:
      'Input of calm narrow: one lot as calm learn takes it, and numbers of the house that it has accepted, each a factor or a shift in °C.',
  },
  diagnose: {
    schema: diagnoseSchema,
    description:
      'Input of calm diagnose: what is seen of dough that is not as it should be, with its lot as it was planned, what was written down of it, and lots of the same dough that were good. Of what was weighed, yeast, salt and water tell something. A check is true where the fault shows.',
  },
  advise: {
    schema: adviseSchema,
    description:
      'Input of calm advise: a dough as it went so far and as it is planned, now, who wants balls of it, and where it could stand. Hours count from the mixer; a service ends after it begins.',
  },
  equivalent: {
    schema: equivalentSchema,
    description:
      'Input of calm equivalent: a dough, the index of one of its stages, and temperatures of its air in °C.',
  },
  'formulas-file': {
    schema: bookFileSchema,
    description:
      'A file of formulas and routes. Each formula is counted in percent (formula) or per litre of water (perLitre), not both; codes and names are there once; hours go least ≤ preferred ≤ most.',
  },
  'practice-situation': {
    schema: situationSchema,
    description:
      'An evening to be practised, against what a house takes to be usual: temperatures in °C and apart from planned, yeast and strength as a share of what is written, hours older than the label says. Shares of guests by quarter of an hour sum to 1.',
  },
  'practice-week': {
    schema: practiceWeekSchema,
    description:
      'Evenings to be practised one after the other, each as a practice situation; what is left in the cold of one is there on the next.',
  },
  dose: {
    schema: doseSchema,
    description:
      'Input of calm dose: as calm simulate, with the hour from the mixer at which the rise shall peak. A yeast percent is not looked at.',
  },
};

/** The published JSON Schemas (draft 2020-12), by command or file. */
export function jsonSchemas(): Record<string, object> {
  return Object.fromEntries(
    Object.entries(FORMATS).map(([command, { schema, description }]) => [
      command,
      {
        $schema: 'https://json-schema.org/draft/2020-12/schema',
        title: command.includes('-') ? command.replace('-', ' ') : `calm ${command}`,
        description,
        ...jsonSchemaOf(schema),
      },
    ]),
  );
}
