import type { ServicePatternContent } from '@calm/contract';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useFormats } from '../../../parts/format/useFormats';
import { dateOf } from '../../../parts/format/weekdays';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useBookQuery } from '../../../state/api/api';
import { useHouse } from '../../../state/board/useBoard';
import { useDraft } from '../../../state/drafts/useDraft';
import {
  useAddPatternMutation,
  useChangeUsualMutation,
  useRemovePatternMutation,
} from '../demandApi';
import { ServiceFields } from './ServiceFields';
import styles from '../week/Demand.module.css';

const EVENING = { startMin: 17 * 60 + 30, endMin: 22 * 60 + 30 };
const BALLS = { min: 0, max: 20_000, decimals: 0 };

/** A service on as many weekdays as it comes, with what usually goes at it. */
interface NewServices extends Omit<ServicePatternContent, 'weekday'> {
  readonly weekdays: readonly number[];
  /** By products' ids. */
  readonly usual: Readonly<Record<string, number>>;
}

/** A service for several days of the week at once. */
export function NewServicesDialog({
  today,
  onClose,
}: {
  readonly today: string;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { changed } = useNotices();
  const [add] = useAddPatternMutation();
  const [remove] = useRemovePatternMutation();
  const [changeUsual] = useChangeUsualMutation();
  const products = useBookQuery(house).data?.products ?? [];
  const { draft, keep: keepDraft, drop } = useDraft<NewServices>(`${house}/dialog/services/new`);
  const content: NewServices = draft ?? {
    name: '',
    weekdays: [],
    ...EVENING,
    firstDate: today,
    lastDate: null,
    usual: {},
  };
  const put = (to: Partial<NewServices>) => keepDraft({ ...content, ...to });
  const [wrong, setWrong] = useState<string | null>(null);
  const leave = () => {
    drop();
    onClose();
  };
  const keep = async () => {
    const { weekdays, usual, ...service } = content;
    if (weekdays.length === 0) return setWrong(t('demand.services.noDay'));
    const counts = products.map(({ id }) => ({ productId: id, count: usual[id] ?? 0 }));
    const ids: string[] = [];
    const takeBack = () => Promise.all(ids.map((id) => remove({ house, id }).unwrap()));
    try {
      for (const weekday of weekdays.toSorted((one, other) => one - other)) {
        const name = service.name.trim();
        const { id } = await add({ house, content: { ...service, name, weekday } }).unwrap();
        ids.push(id);
        if (counts.some(({ count }) => count > 0))
          await changeUsual({ house, patternId: id, change: { counts } }).unwrap();
      }
      changed(t('demand.services.kept', { name: service.name }), takeBack);
      leave();
    } catch (error) {
      // All days, or none.
      await takeBack().catch(() => null);
      setWrong(problemWords(t, error));
    }
  };
  return (
    <RecordDialog
      title={t('demand.services.new')}
      width="sm"
      wrong={wrong}
      onKeep={() => void keep()}
      onClose={leave}
    >
      <ServiceFields
        service={content}
        days={
          <ToggleButtonGroup
            fullWidth
            size="small"
            aria-label={t('demand.services.days')}
            value={content.weekdays}
            onChange={(_event, weekdays: number[]) => put({ weekdays })}
          >
            {f.weekdays.map((weekday) => (
              <ToggleButton key={weekday} value={weekday}>
                {f.weekday(Date.parse(`${dateOf(weekday)}T12:00:00Z`))}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        }
        counts={
          products.length > 0 && (
            <>
              <p className="quiet small">{t('demand.usual.why')}</p>
              <div className={styles['pairs']}>
                {products.map(({ id, name }) => (
                  <LabelledCell
                    key={id}
                    name={name}
                    unit=""
                    value={content.usual[id] ?? 0}
                    rule={BALLS}
                    step={5}
                    onCommit={(count) => put({ usual: { ...content.usual, [id]: count } })}
                  />
                ))}
              </div>
            </>
          )
        }
        onChange={put}
      />
    </RecordDialog>
  );
}
