import { TRIAL_JUDGES, type HouseBook, type LogLine, type TrialJudge } from '@calm/contract';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useFormats } from '../../../parts/format/useFormats';
import { problemWords } from '../../../parts/messages/problemWords';
import { useLogPagesInfiniteQuery } from '../logApi';
import { useStartTrialMutation } from './trialsApi';

const NONE: readonly LogLine[] = [];

/** A trial to be begun: one dough, one thing changed, two lots of it. */
export function TrialDialog({
  house,
  book,
  begin,
  onClose,
}: {
  readonly house: string;
  readonly book: HouseBook;
  /** What a fault's cause proposed to try. */
  readonly begin: { readonly formulaId: string; readonly change: string };
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { formulas } = book;
  const [formulaId, setFormulaId] = useState(begin.formulaId || (formulas[0]?.id ?? ''));
  const [change, setChange] = useState(begin.change);
  const [judge, setJudge] = useState<TrialJudge>('taste');
  const [chosen, setChosen] = useState({ control: '', changed: '' });
  const [wrong, setWrong] = useState<string | null>(null);
  const [start] = useStartTrialMutation();
  const { data } = useLogPagesInfiniteQuery({ house, query: { formulaId } });
  const lots = data?.pages[0]?.lots.filter(({ isWithdrawn }) => !isWithdrawn) ?? NONE;
  const keep = async () => {
    if (change.trim() === '') return setWrong(t('trials.sayWhat'));
    if (!chosen.control || !chosen.changed || chosen.control === chosen.changed) {
      return setWrong(t('trials.chooseTwo'));
    }
    try {
      const lotsOf = { controlLotId: chosen.control, changedLotId: chosen.changed };
      await start({ house, start: { change: change.trim(), judge, ...lotsOf } }).unwrap();
      onClose();
    } catch (error) {
      setWrong(problemWords(t, error));
    }
  };
  const lotName = (id: string) => {
    const lot = lots.find((each) => each.id === id);
    return lot ? f.joined(lot.code, f.date(lot.serviceDate)) : t('trials.choose');
  };
  return (
    <RecordDialog
      title={t('trials.new')}
      width="sm"
      wrong={wrong}
      onKeep={() => void keep()}
      onClose={onClose}
    >
      <Choice
        label={t('log.dough')}
        value={formulaId}
        values={formulas.map(({ id }) => id)}
        say={(id) => formulas.find((each) => each.id === id)?.name ?? ''}
        width="100%"
        onChange={(id) => {
          setFormulaId(id);
          setChosen({ control: '', changed: '' });
        }}
      />
      <TextField
        fullWidth
        size="small"
        label={t('trials.change')}
        value={change}
        onChange={(typed) => setChange(typed.target.value)}
        slotProps={{ htmlInput: { maxLength: 200 } }}
      />
      <Choice
        label={t('trials.judgeBy')}
        value={judge}
        values={TRIAL_JUDGES}
        say={(each) => t(`trials.judge.${each}`)}
        width="100%"
        onChange={setJudge}
      />
      {(['control', 'changed'] as const).map((key) => (
        <Choice
          key={key}
          label={t(`trials.${key}`)}
          value={chosen[key]}
          values={['', ...lots.map(({ id }) => id)]}
          say={lotName}
          width="100%"
          onChange={(id) => setChosen((was) => ({ ...was, [key]: id }))}
        />
      ))}
    </RecordDialog>
  );
}
