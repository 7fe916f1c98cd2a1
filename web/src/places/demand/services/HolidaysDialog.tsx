import type { Holiday, HouseCalendar } from '@calm/contract';
import { isExceptionOn } from '@calm/domain';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useFormats } from '../../../parts/format/useFormats';
import { countries, countryOfZone } from '../../../parts/house/countries';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useHouse } from '../../../state/board/useBoard';
import { addDays } from '../../../state/time/localDate';
import {
  useAddEventMutation,
  useAddExceptionMutation,
  useHolidaysQuery,
  useRemoveEventMutation,
  useRemoveExceptionMutation,
} from '../demandApi';
import { daysOfFile } from './dayFile';
import styles from './HolidaysDialog.module.css';

const DAYS_AHEAD = 365;
const EXPECTED = { min: 10, max: 500, decimals: 0 };
const ACTIONS = ['closed', 'event'] as const;
/** Where a country has no part of its own chosen. */
const WHOLE = '';

/** The holidays of a country, or of a file: each to be closed on, or to expect more or less of. */
export function HolidaysDialog({
  calendar,
  today,
  timeZone,
  onClose,
}: {
  readonly calendar: HouseCalendar;
  readonly today: string;
  readonly timeZone: string;
  readonly onClose: () => void;
}) {
  const { t, i18n } = useTranslation();
  const f = useFormats();
  const [country, setCountry] = useState(() => countryOfZone(timeZone));
  const [region, setRegion] = useState(WHOLE);
  const [fromFile, setFromFile] = useState<readonly Holiday[] | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [action, setAction] = useState<(typeof ACTIONS)[number]>('closed');
  const [expectedPercent, setExpectedPercent] = useState(120);
  const [wrong, setWrong] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const names = new Intl.DisplayNames([i18n.language], { type: 'region' });
  const write = useHolidayWrites();
  const { days, regions } = useHolidays(country, region, i18n.language, today);
  const shown = (fromFile ?? days).filter(
    ({ date }) => date >= today && date <= addDays(today, DAYS_AHEAD),
  );
  const isClosed = (date: string) =>
    calendar.exceptions.some(
      (each) => each.patternId === null && each.hours === null && isExceptionOn(each, date),
    );
  const open = async (file: File) => {
    try {
      setFromFile(await daysOfFile(await file.text()));
      setChosen(new Set());
      setWrong(null);
    } catch {
      setWrong(t('demand.holidays.noDays'));
    }
  };
  const keep = async () => {
    const picked = shown.filter((day) => chosen.has(keyOf(day)));
    if (picked.length === 0) return setWrong(t('demand.holidays.noneChosen'));
    try {
      await write(picked, action === 'closed' ? null : expectedPercent);
      onClose();
    } catch (error) {
      setWrong(problemWords(t, error));
    }
  };
  const tick = (day: Holiday, isChosen: boolean) => {
    const to = new Set(chosen);
    if (isChosen) to.add(keyOf(day));
    else to.delete(keyOf(day));
    setChosen(to);
  };
  return (
    <RecordDialog
      title={t('demand.holidays.title')}
      width="sm"
      wrong={wrong}
      onKeep={() => void keep()}
      onClose={onClose}
    >
      <p className="quiet small">{t('demand.holidays.why')}</p>
      <div className={styles['from']}>
        {fromFile === null && (
          <>
            <Choice
              label={t('demand.holidays.country')}
              width={220}
              value={country}
              values={[
                ...(country === '' ? [''] : []),
                ...countries(i18n.language).map(({ code }) => code),
              ]}
              say={(code) => code && (names.of(code) ?? code)}
              onChange={(to) => {
                setCountry(to);
                setRegion(WHOLE);
                setChosen(new Set());
              }}
            />
            {regions.length > 0 && (
              <Choice
                label={t('demand.holidays.region')}
                width={220}
                value={region}
                values={[WHOLE, ...regions.map(({ code }) => code)]}
                say={(code) =>
                  regions.find((each) => each.code === code)?.name ?? t('demand.holidays.whole')
                }
                onChange={setRegion}
              />
            )}
          </>
        )}
        <Button variant="outlined" onClick={() => input.current?.click()}>
          {t('demand.holidays.file')}
        </Button>
        <input
          ref={input}
          type="file"
          hidden
          accept=".ics,.csv,text/calendar,text/csv"
          aria-label={t('demand.holidays.file')}
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (file) void open(file);
            target.value = '';
          }}
        />
      </div>
      {shown.length === 0 && <p className="quiet">{t('demand.holidays.none')}</p>}
      <ul className={styles['days']}>
        {shown.map((day) => (
          <li key={keyOf(day)}>
            <FormControlLabel
              control={
                <Checkbox
                  checked={chosen.has(keyOf(day))}
                  disabled={isClosed(day.date)}
                  onChange={(_event, isChosen) => tick(day, isChosen)}
                />
              }
              label={`${f.date(day.date)} ${day.name}`}
            />
            {isClosed(day.date) && (
              <span className="quiet small">{t('demand.exception.closed')}</span>
            )}
          </li>
        ))}
      </ul>
      <div className={styles['from']}>
        <Choice
          label={t('demand.holidays.then')}
          width={220}
          value={action}
          values={ACTIONS}
          say={(each) => t(`demand.holidays.${each}`)}
          onChange={setAction}
        />
        {action === 'event' && (
          <LabelledCell
            name={t('demand.event.expected')}
            unit="%"
            value={expectedPercent}
            rule={EXPECTED}
            step={10}
            onCommit={setExpectedPercent}
          />
        )}
      </div>
    </RecordDialog>
  );
}

const keyOf = ({ date, name }: Holiday): string => `${date} ${name}`;

/** The holidays of this year and the next, and the parts of the country. */
function useHolidays(country: string, region: string, language: string, today: string) {
  const question = {
    house: useHouse(),
    country,
    language: language.slice(0, 2),
    ...(region !== WHOLE && { region }),
  };
  const year = Number(today.slice(0, 4));
  const skip = { skip: country === '' };
  const { data: first } = useHolidaysQuery({ ...question, year }, skip);
  const { data: second } = useHolidaysQuery({ ...question, year: year + 1 }, skip);
  return {
    days: [...(first?.days ?? []), ...(second?.days ?? [])],
    regions: first?.regions ?? [],
  };
}

/** Writes days as closed, or as events; all of them, or none, and back with one undo. */
function useHolidayWrites() {
  const { t } = useTranslation();
  const house = useHouse();
  const { changed } = useNotices();
  const [addException] = useAddExceptionMutation();
  const [removeException] = useRemoveExceptionMutation();
  const [addEvent] = useAddEventMutation();
  const [removeEvent] = useRemoveEventMutation();
  /** @param expectedPercent null has the house closed */
  return async (days: readonly Holiday[], expectedPercent: number | null) => {
    const back: (() => Promise<unknown>)[] = [];
    const takeBack = () => Promise.all(back.map((undo) => undo()));
    const add = async ({ date, name }: Holiday) => {
      if (expectedPercent === null) {
        const closed = { date, lastDate: null, isYearly: false, patternId: null, joinsId: null };
        const content = { ...closed, hours: null, note: name.slice(0, 300) };
        const { id } = await addException({ house, content }).unwrap();
        back.push(() => removeException({ house, id }).unwrap());
        return;
      }
      const label = name.trim() === '' ? date : name.slice(0, 80);
      const content = { date, patternId: null, name: label, expectedPercent, note: '' };
      const { id } = await addEvent({ house, content }).unwrap();
      back.push(() => removeEvent({ house, id }).unwrap());
    };
    try {
      for (const day of days) await add(day);
    } catch (error) {
      await takeBack().catch(() => undefined);
      throw error;
    }
    changed(t('demand.holidays.kept', { count: days.length }), takeBack);
  };
}
