import type { CountChange, CountsChange } from './services';
import {
  type ImportedSale,
  type SalesImport,
  type SaleChange,
  type SoldBalls,
  type TillSale,
  SALES_A_REQUEST,
} from './sales';
import type { BookingContent } from './bookings';
import type {
  ServiceExceptionContent,
  ServicePatternContent,
  UsualChange,
  UsualCount,
} from './calendar';
import type { EventContent } from './events';
import Joi from 'joi';
import { ballCount, id, instant, localDate, text, version, visibleText } from '../api/fields';

/** PUT a count. */
export const countChangeSchema = Joi.object<CountChange>({
  count: ballCount().required().allow(null),
  version: version(),
});

/** POST several counts. */
export const countsChangeSchema = Joi.object<CountsChange>({
  counts: Joi.array()
    .items(
      Joi.object({
        date: localDate().required(),
        patternId: id().required(),
        productId: id().required(),
        count: ballCount().required().allow(null),
        version: version(),
      }),
    )
    .min(1)
    .max(500)
    .required(),
});

/** POST an event. */
export const eventSchema = Joi.object<EventContent>({
  date: localDate().required(),
  patternId: id().required().allow(null),
  name: visibleText(80),
  expectedPercent: Joi.number().integer().min(5).max(500).required(),
  note: text(300).allow('').required(),
});

/** A service begins on its day and ends by noon of the next. */
const startMin = () => Joi.number().integer().min(0).max(1439).required();
const endMin = () =>
  Joi.number().integer().greater(Joi.ref('startMin')).max(2160).required().messages({
    'number.greater': 'A service ends after it has begun; past midnight goes on counting.',
  });
const lastDateAfter = (first: string) =>
  localDate()
    .allow(null)
    .when(first, {
      is: Joi.string().required(),
      then: Joi.custom((last: string | null, helpers) => {
        const firstDate = (helpers.state.ancestors[0] as Record<string, string>)[first] ?? '';
        return last !== null && last < firstDate ? helpers.error('date.order') : last;
      }).messages({ 'date.order': 'The last day comes before the first.' }),
    });

/** POST a service of the week. */
export const servicePatternSchema = Joi.object<ServicePatternContent>({
  name: visibleText(60),
  weekday: Joi.number().integer().min(1).max(7).required(),
  startMin: startMin(),
  endMin: endMin(),
  firstDate: localDate().required().allow(null),
  lastDate: lastDateAfter('firstDate').required(),
});

/** PUT the usual counts of a service. */
export const usualChangeSchema = Joi.object<UsualChange>({
  counts: Joi.array()
    .items(Joi.object<UsualCount>({ productId: id().required(), count: ballCount().required() }))
    .max(500)
    .unique('productId')
    .required(),
});

/** POST a day that differs. */
export const serviceExceptionSchema = Joi.object<ServiceExceptionContent>({
  date: localDate().required(),
  lastDate: lastDateAfter('date').default(null),
  isYearly: Joi.boolean().default(false),
  patternId: id().required().allow(null),
  joinsId: id()
    .allow(null)
    .default(null)
    .custom((joinsId: string | null, helpers) => {
      const { patternId } = helpers.state.ancestors[0] as { patternId: string | null };
      const canJoin = joinsId === null || (patternId !== null && patternId !== joinsId);
      return canJoin ? joinsId : helpers.error('joins.itself');
    })
    .messages({ 'joins.itself': 'A service is one with another one.' }),
  hours: Joi.object({ startMin: startMin(), endMin: endMin() }).required().allow(null),
  note: text(300).allow('').required(),
});

/** Whose holidays, in which year, in which language. */
export const holidaysQuery = Joi.object<{
  country: string;
  region?: string;
  year: number;
  language: string;
}>({
  country: Joi.string()
    .pattern(/^[A-Z]{2}$/, 'country')
    .required(),
  region: Joi.string().pattern(/^[A-Za-z0-9-]{1,10}$/, 'region'),
  year: Joi.number().integer().min(2000).max(2100).required(),
  language: Joi.string()
    .pattern(/^[a-z]{2}$/, 'language')
    .required(),
});

/** POST a party. */
export const bookingSchema = Joi.object<BookingContent>({
  date: localDate().required(),
  patternId: id().required(),
  name: visibleText(80),
  guests: Joi.number().integer().min(1).max(5000).required(),
  balls: Joi.array()
    .items(Joi.object({ productId: id().required(), count: ballCount().required() }))
    .max(50)
    .unique('productId')
    .required(),
  note: text(300).allow('').required(),
});

/** Three noons on: nothing is sold later than a service that goes past midnight. */
const minuteOfService = () => Joi.number().integer().min(0).max(2400);

/** PUT a sale. */
export const saleChangeSchema = Joi.object<SaleChange>({
  sale: Joi.object<SoldBalls>({
    sold: ballCount().required(),
    soldOutMin: minuteOfService().required().allow(null),
    leftBalls: ballCount().required().allow(null),
  })
    .required()
    .allow(null),
  version: version(),
});

/** POST history from a file. */
export const salesImportSchema = Joi.object<SalesImport>({
  sales: Joi.array()
    .items(
      Joi.object<ImportedSale>({
        date: localDate().required(),
        patternId: id().required(),
        productId: id().required(),
        sold: ballCount().required(),
        soldOutMin: minuteOfService(),
        leftBalls: ballCount(),
        quarters: Joi.array()
          .items(
            Joi.array()
              .ordered(Joi.number().integer().min(0).max(160).required(), ballCount().required())
              .length(2),
          )
          .max(160),
      }),
    )
    .min(1)
    .max(SALES_A_REQUEST)
    .required(),
  over: Joi.valid('keep', 'replace').required(),
  isTrial: Joi.boolean().required(),
});

/** POST a till's sales. */
export const tillSchema = Joi.object<{ sales: readonly TillSale[] }>({
  sales: Joi.array()
    .items(
      Joi.object<TillSale>({
        number: Joi.string()
          .pattern(/^[\x21-\x7e]{1,60}$/, 'number')
          .required(),
        at: instant().required(),
        productId: id().required(),
        balls: Joi.number().integer().min(-500).max(500).invalid(0).required(),
      }),
    )
    .min(1)
    .max(500)
    .required(),
});
