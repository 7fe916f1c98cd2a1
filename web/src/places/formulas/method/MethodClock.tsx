import type { FormulaContent, HouseBook } from '@calm/contract';
import { EXPERIENCES, methodTime, mixingTime } from '@calm/core';
import { fullBowl, methodMinutesIn, routeInMixer, routeLoadMin } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';

/** A method worked so much longer or shorter than usual is worth a second look. */
const isUnusual = (min: number, { leastMin, mostMin }: { leastMin: number; mostMin: number }) =>
  min > 0 && (min < leastMin || min > mostMin);

/** What a method's minutes come to, for a full load; what the plan gives it; and how long hands take. */
export function MethodClock({
  book,
  formulaId,
  content,
}: {
  readonly book: HouseBook;
  readonly formulaId: string;
  readonly content: FormulaContent;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const mixer = book.mixers.find(({ id }) => id === content.mixerId);
  const time = methodTime(content.method.steps);
  if (!mixer) return null;
  const bowl = fullBowl(content, mixer, book.house.settings);
  const usual = mixingTime(bowl);
  const minutes = methodMinutesIn(book, content, mixer);
  const planned = routesOf(book, formulaId).map(({ name, stages }) => ({
    name,
    minutes: routeLoadMin(routeInMixer(book, content, stages, mixer)),
    isRaised: minutes !== null && routeLoadMin(stages) < minutes,
  }));
  return (
    <div className="quiet" style={{ marginBlock: 8 }}>
      {time && minutes !== null && (
        <p>
          {t('formulas.clock.load', {
            mixer: mixer.name,
            all: f.duration(minutes),
            worked: f.duration(time.workedMin),
            stands: f.duration(time.standsMin),
          })}{' '}
          {planned.map((route) => (
            <span key={route.name}>
              {t(route.isRaised ? 'formulas.clock.raised' : 'formulas.clock.planned', {
                route: route.name,
                minutes: f.duration(route.minutes),
              })}{' '}
            </span>
          ))}
        </p>
      )}
      {mixer.kind !== 'hand' && time && isUnusual(time.workedMin, usual) && (
        <p role="status">
          {t('formulas.clock.unusual', {
            mixer: mixer.name,
            from: f.duration(usual.leastMin),
            to: f.duration(usual.mostMin),
          })}
        </p>
      )}
      {mixer.kind === 'hand' && (
        <p>
          {t('formulas.clock.hands', {
            kg: f.kilograms(bowl.doughKg * 1000, 1),
            ways: f.list(
              EXPERIENCES.map((experience) =>
                t(`formulas.clock.experience.${experience}`, {
                  minutes: f.duration(mixingTime({ ...bowl, experience }).usualMin),
                }),
              ),
            ),
          })}{' '}
          {t('formulas.clock.split', { kg: f.kilograms(bowl.maxDoughKg * 1000, 1) })}
        </p>
      )}
    </div>
  );
}

/** The routes that a formula's products go, each once. */
function routesOf({ products, routes }: HouseBook, formulaId: string) {
  const used = new Set(
    products.flatMap((product) => (product.formulaId === formulaId ? product.routeId : [])),
  );
  return routes.filter(({ id }) => used.has(id));
}
