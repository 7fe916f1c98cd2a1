import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { Caution } from '../../../parts/messages/Caution';
import type { Board } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { Ovens } from '../Ovens';
import { WithBoard } from '../WithBoard';
import styles from './Missing.module.css';

/** An oven does not heat: what the others bake, and in which services that is too little. */
export function OvenDown() {
  return <WithBoard>{(board) => <OfHouse board={board} />}</WithBoard>;
}

function OfHouse({ board }: { readonly board: Board }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const [params, setParams] = useSearchParams();
  const { ovens = [] } = board.book.house.settings;
  const down = ovens.find(({ name }) => name === params.get('oven')) ?? ovens[0];
  const others = ovens.filter((oven) => oven !== down);
  const services = board.services
    .filter(({ endsAt, counts }) => Date.parse(endsAt) > nowMs && counts.some((c) => c.count > 0))
    .slice(0, SERVICES);
  return (
    <Page title={t('missing.oven')} lead={t('missing.ovenLead')}>
      {!down && <p>{t('missing.noOven')}</p>}
      {down && (
        <>
          <div className={styles['fields']}>
            <Choice
              label={t('missing.ovenOf')}
              value={down.name}
              values={ovens.map(({ name }) => name)}
              width={220}
              say={(name) => name}
              onChange={(name) => setParams({ oven: name }, { replace: true })}
            />
          </div>
          <p>
            {others.length === 0
              ? t('missing.onlyOven')
              : t('missing.othersBake', {
                  ovens: f.list(others.map(({ name }) => name)),
                  count: others.reduce((sum, { ballsPerHour }) => sum + ballsPerHour, 0),
                })}
          </p>
          {services.map((service) => (
            <section key={service.date + service.patternId} className={styles['service']}>
              <h2>{f.joined(service.name, f.date(service.date))}</h2>
              <Ovens board={board} service={service} without={down.name} />
            </section>
          ))}
          <Caution about="oven" />
        </>
      )}
    </Page>
  );
}

/** Services that are looked at. */
const SERVICES = 8;
