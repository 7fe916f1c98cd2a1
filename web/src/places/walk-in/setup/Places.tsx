import { STANDARD_COLD_RULES, type Place, type Probe } from '@calm/contract';
import { traysIn } from '@calm/domain';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { WideTable } from '../../../parts/layout/WideTable';
import { RetiredList } from '../../../parts/retired/RetiredList';
import { useRetirement } from '../../../state/api/useRetirement';
import { usePermission } from '../../../state/api/usePermission';
import styles from '../air/Air.module.css';
import { PlaceDialog } from './PlaceDialog';
import { Machines } from '../../../parts/machines/Machines';
import { useMachines } from '../../../state/api/useMachines';
import { ProbeDialog } from './ProbeDialog';
import { RoomFitPart } from './RoomFitPart';
import { RulesDialog } from './RulesDialog';
import { useWalkIn, type WalkInNow } from '../useWalkIn';
import { WalkInNav } from '../WalkInNav';

/** Where dough stands, what hangs there, and how the house looks after its cold. */
export function Places() {
  const { now, error, retry } = useWalkIn();
  if (error && !now) return <Failed error={error} onRetry={retry} />;
  return now ? <All now={now} /> : <WaitingPage />;
}

type Open =
  | { readonly kind: 'place'; readonly place: Place | null }
  | { readonly kind: 'probe'; readonly probe: Probe | null }
  | { readonly kind: 'rules' };

function All({ now }: { readonly now: WalkInNow }) {
  const machines = useMachines('probe');
  const { t } = useTranslation();
  const f = useFormats();
  const mayBook = usePermission('book');
  const [open, setOpen] = useState<Open | null>(null);
  const close = () => setOpen(null);
  const retirement = useRetirement('places');
  const { book } = now.board;
  const rules = book.house.settings.cold ?? STANDARD_COLD_RULES;
  return (
    <Page title={t('walkIn.nav.places')} lead={t('walkIn.setup.lead')}>
      <WalkInNav />
      <h2>{t('walkIn.setup.places')}</h2>
      <PlaceTable
        places={book.places}
        onChange={mayBook ? (place) => setOpen({ kind: 'place', place }) : null}
      />
      {mayBook && (
        <Button
          variant="outlined"
          aria-haspopup="dialog"
          onClick={() => setOpen({ kind: 'place', place: null })}
        >
          {t('walkIn.setup.addPlace')}
        </Button>
      )}
      <RetiredList
        title={t('retired.places', { count: book.retired.places.length })}
        records={book.retired.places}
        retirement={retirement}
      />
      <h2 className={styles['under']}>{t('walkIn.setup.probes')}</h2>
      {now.cold.probes.length === 0 ? (
        <p className="quiet">{t('walkIn.setup.noProbes')}</p>
      ) : (
        <ProbeTable
          now={now}
          onChange={mayBook ? (probe) => setOpen({ kind: 'probe', probe }) : null}
        />
      )}
      {mayBook && (
        <Button
          variant="outlined"
          aria-haspopup="dialog"
          onClick={() => setOpen({ kind: 'probe', probe: null })}
        >
          {t('walkIn.setup.addProbe')}
        </Button>
      )}
      {machines && <Machines {...machines} probes={now.cold.probes} />}
      <h2 className={styles['under']}>{t('walkIn.setup.rules')}</h2>
      <p>
        {t('walkIn.setup.rulesAre', {
          limit: f.temperature(rules.limitC),
          over: f.duration(rules.overMin),
          silent: f.duration(rules.silentMin),
          from: f.timeOfDay(rules.quietFromMin),
          until: f.timeOfDay(rules.quietUntilMin),
          rounds: f.list(rules.roundMins.map(f.timeOfDay)) || '–',
        })}
      </p>
      {mayBook && (
        <Button
          variant="outlined"
          aria-haspopup="dialog"
          onClick={() => setOpen({ kind: 'rules' })}
        >
          {t('walkIn.setup.changeRules')}
        </Button>
      )}
      <h2 className={styles['under']}>{t('walkIn.setup.fits')}</h2>
      <p className="quiet">{t('walkIn.setup.fitsWhy')}</p>
      {book.places
        .filter(({ room }) => room !== null)
        .map((place) => (
          <RoomFitPart key={place.id} now={now} place={place} mayBook={mayBook} />
        ))}
      {open?.kind === 'place' && <PlaceDialog place={open.place} onClose={close} />}
      {open?.kind === 'probe' && <ProbeDialog now={now} probe={open.probe} onClose={close} />}
      {open?.kind === 'rules' && <RulesDialog house={book.house} onClose={close} />}
    </Page>
  );
}

function PlaceTable({
  places,
  onChange,
}: {
  readonly places: readonly Place[];
  /** Null where nothing may be changed. */
  readonly onChange: ((place: Place) => void) | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <WideTable label={t('walkIn.setup.places')}>
      <table className={styles['table']}>
        <thead>
          <tr>
            <th scope="col">{t('walkIn.setup.place')}</th>
            <th scope="col">{t('walkIn.setup.zones')}</th>
            <th scope="col">{t('walkIn.setup.room')}</th>
            <th scope="col">{t('walkIn.setup.set')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {places.map((place) => (
            <tr key={place.id}>
              <th scope="row">{place.name}</th>
              <td>
                {f.list(
                  place.zones.map(({ name, positions, warmerC }) =>
                    t(warmerC === 0 ? 'walkIn.setup.zone' : 'walkIn.setup.zoneWarmer', {
                      name,
                      count: positions,
                      by: f.warmer(warmerC),
                    }),
                  ),
                )}
              </td>
              <td>{t('walkIn.setup.holds', { trays: traysIn(place), tubs: place.tubs })}</td>
              <td>{place.room ? f.temperature(place.room.setC) : t('walkIn.setup.notCooled')}</td>
              <ChangeCell name={place.name} onChange={onChange && (() => onChange(place))} />
            </tr>
          ))}
        </tbody>
      </table>
    </WideTable>
  );
}

function ProbeTable({
  now,
  onChange,
}: {
  readonly now: WalkInNow;
  /** Null where nothing may be changed. */
  readonly onChange: ((probe: Probe) => void) | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <WideTable label={t('walkIn.setup.probes')}>
      <table className={styles['table']}>
        <thead>
          <tr>
            <th scope="col">{t('walkIn.air.probe')}</th>
            <th scope="col">{t('walkIn.air.where')}</th>
            <th scope="col">{t('walkIn.setup.last')}</th>
            <th scope="col">{t('walkIn.setup.corrected')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {now.cold.probes.map((probe) => {
            const last = now.cold.last.find(({ probeId }) => probeId === probe.id);
            const latest = probe.calibrations.toSorted((a, b) => (a.from < b.from ? -1 : 1)).at(-1);
            return (
              <tr key={probe.id}>
                <th scope="row">{probe.name}</th>
                <td>
                  {t('walkIn.air.roundOf', {
                    place: now.board.book.places.find(({ id }) => id === probe.placeId)?.name,
                    zone: probe.zone,
                  })}
                </td>
                <td>
                  {last
                    ? `${f.temperature(last.airC)}, ${f.moment(Date.parse(last.at))}`
                    : t('walkIn.air.noReadings')}
                </td>
                <td>
                  {latest
                    ? t('walkIn.setup.correctedSince', {
                        by: f.warmer(latest.offsetC),
                        at: f.day(Date.parse(latest.from)),
                      })
                    : t('walkIn.setup.notCorrected')}
                </td>
                <ChangeCell name={probe.name} onChange={onChange && (() => onChange(probe))} />
              </tr>
            );
          })}
        </tbody>
      </table>
    </WideTable>
  );
}

/** The last cell of a line, where the line may be changed. */
function ChangeCell({
  name,
  onChange,
}: {
  readonly name: string;
  /** Null where nothing may be changed. */
  readonly onChange: (() => void) | null;
}) {
  const { t } = useTranslation();
  return (
    <td>
      {onChange && (
        <Button
          aria-label={t('walkIn.setup.changeOf', { name })}
          aria-haspopup="dialog"
          onClick={onChange}
        >
          {t('walkIn.setup.change')}
        </Button>
      )}
    </td>
  );
}
