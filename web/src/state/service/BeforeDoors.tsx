import type { Lot, Service } from '@calm/contract';
import { serviceTasks, type ServiceTask } from '@calm/domain';
import Checkbox from '@mui/material/Checkbox';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Caution } from '../../parts/messages/Caution';
import { useFormats } from '../../parts/format/useFormats';
import type { Board } from '../board/useBoard';
import { useMark } from '../outbox/useMark';
import styles from './BeforeDoors.module.css';

/** Work at ovens and bench before the doors of a service open: when it is due, and done with one press. */
export function BeforeDoors({
  board,
  service,
  order,
}: {
  readonly board: Board;
  readonly service: Service;
  /** Lots of the service in the order in which they are opened. */
  readonly order: readonly { readonly lot: Lot | null; readonly code: string }[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const balls = service.counts.reduce((sum, { count }) => sum + count, 0);
  const tasks = serviceTasks(board.book.house.settings.ovens ?? [], service, balls);
  const first = order.find((each) => each.lot)?.lot ?? null;
  const codes = [...new Set(order.map(({ code }) => code))];
  if (tasks.length === 0) return null;
  return (
    <section className={styles['doors']} aria-label={t('doors.title')}>
      <h2>{t('doors.title')}</h2>
      <ol>
        {tasks.map((task) => (
          <Task
            key={task.key}
            house={board.house}
            lot={markedLot(order, task.key) ?? first}
            task={task}
          />
        ))}
      </ol>
      {codes.length > 1 && <p>{t('doors.order', { lots: f.list(codes) })}</p>}
      <Caution about="oven" />
    </section>
  );
}

/** The lot on which a task is marked already, wherever it stands in the order by now. */
const markedLot = (order: readonly { readonly lot: Lot | null }[], key: string): Lot | undefined =>
  order.flatMap(({ lot }) => (lot?.marks.some(({ stepKey }) => stepKey === key) ? lot : []))[0];

function Task({
  house,
  lot,
  task,
}: {
  readonly house: string;
  readonly lot: Lot | null;
  readonly task: ServiceTask;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const words = t(`doors.${task.kind}`, { oven: task.oven, grams: f.grams(task.grams) });
  const tick = useMark(house, lot, 0, task.key, words);
  return (
    <li data-done={tick.isDone}>
      <Checkbox
        checked={tick.isDone}
        disabled={!lot || tick.isSending}
        onChange={(event) => tick.toggle(event.target.checked)}
        slotProps={{ input: { 'aria-label': words } }}
        sx={{ width: 48, height: 48, flex: 'none' }}
      />
      <b>{f.time(task.atMs)}</b>
      <span>
        {words}
        {task.kind === 'test-bake' && (
          <>
            {' '}
            <span className="quiet">{t('doors.look')}</span>{' '}
            {lot && <Link to={`/${house}/log/${lot.code}`}>{t('doors.record')}</Link>}
          </>
        )}
      </span>
    </li>
  );
}
