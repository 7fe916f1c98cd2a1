import {
  PRACTICE_SKILLS,
  type House,
  type PracticeNeed,
  type PracticeSkill,
  type ReadinessWork,
} from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../../parts/fields/Choice';
import { LabelledCell } from '../../../../parts/fields/LabelledCell';
import { RecordDialog } from '../../../../parts/layout/RecordDialog';
import { useChangeHouse } from '../../../../state/api/useChangeHouse';
import styles from './Rules.module.css';

/** A need until somebody says otherwise. */
const USUAL = { leastScore: 70, times: 6, withinDays: 90 } as const;
const LARGE_FROM_KG = 20;
const SCORE = { min: 0, max: 100, decimals: 0 };
const TIMES = { min: 1, max: 200, decimals: 0 };
const DAYS = { min: 1, max: 1000, decimals: 0 };
const KG = { min: 0, max: 1000, decimals: 0 };

/** What is asked before somebody is planned alone for one work. */
export function RuleDialog({
  house,
  work,
  onClose,
}: {
  readonly house: House;
  readonly work: ReadinessWork;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { wrong, keep } = useChangeHouse(house, onClose);
  const rules = house.settings.readiness ?? [];
  const rule = rules.find((each) => each.work === work);
  const [needs, setNeeds] = useState<readonly PracticeNeed[]>(rule?.needs ?? []);
  const [fromKg, setFromKg] = useState(rule?.fromKg ?? LARGE_FROM_KG);
  const unused = PRACTICE_SKILLS.filter((skill) => !needs.some((need) => need.skill === skill));
  const [next] = unused;
  const put = (at: number, to: Partial<PracticeNeed>) =>
    setNeeds((was) => was.map((need, i) => (i === at ? { ...need, ...to } : need)));
  const nameOf = (skill: PracticeSkill) => t(`readiness.skill.${skill}`);
  return (
    <RecordDialog
      title={t(`readiness.work.${work}`)}
      wrong={wrong}
      width="sm"
      onKeep={() => {
        const others = rules.filter((each) => each.work !== work);
        keep({ readiness: needs.length > 0 ? [...others, { work, fromKg, needs }] : others });
      }}
      onClose={onClose}
    >
      {work === 'large-loads' && (
        <LabelledCell
          name={t('readiness.fromKg')}
          measure="kilograms"
          value={fromKg}
          rule={KG}
          step={1}
          onCommit={setFromKg}
        />
      )}
      {needs.length === 0 && <p className="quiet">{t('readiness.none')}</p>}
      {needs.map((need, at) => (
        <div
          key={need.skill}
          className={styles['need']}
          role="group"
          aria-label={nameOf(need.skill)}
        >
          <Choice
            label={t('readiness.skillField')}
            value={need.skill}
            values={[need.skill, ...unused]}
            say={nameOf}
            onChange={(skill) => put(at, { skill })}
            width={200}
          />
          <LabelledCell
            name={t('readiness.score')}
            unit=""
            value={need.leastScore}
            rule={SCORE}
            step={5}
            onCommit={(leastScore) => put(at, { leastScore })}
          />
          <LabelledCell
            name={t('readiness.times')}
            unit=""
            value={need.times}
            rule={TIMES}
            step={1}
            onCommit={(times) => put(at, { times })}
          />
          <LabelledCell
            name={t('readiness.days')}
            unit=""
            value={need.withinDays}
            rule={DAYS}
            step={10}
            onCommit={(withinDays) => put(at, { withinDays })}
          />
          <Button
            size="small"
            aria-label={t('readiness.removeOf', { skill: nameOf(need.skill) })}
            onClick={() => setNeeds((was) => was.filter((_, i) => i !== at))}
          >
            {t('record.remove')}
          </Button>
        </div>
      ))}
      {next && (
        <Button onClick={() => setNeeds((was) => [...was, { skill: next, ...USUAL }])}>
          {t('readiness.add')}
        </Button>
      )}
    </RecordDialog>
  );
}
