import { cutG, type DrillQuestion } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import styles from './Drill.module.css';
import { factWords } from './factWords';

/** Answers that are worth this much are right. */
const RIGHT = 0.7;

/** After an answer: what would have been right, and why. */
export function Explained({
  question,
  said: { answer, score },
}: {
  readonly question: DrillQuestion;
  readonly said: { readonly answer: number; readonly score: number };
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const words = (): string => {
    switch (question.kind) {
      case 'number': {
        const { right, unit, skill, told } = question;
        const is = unit === 'temperature' ? f.temperature(right, 0) : f.kilograms(right, 2);
        return t(`practice.drill.${skill}.why`, { ...factWords(t, f, told), right: is });
      }
      case 'choice':
        return t(`practice.drill.${question.about.split('.').slice(0, -1).join('.')}.why`);
      case 'cut': {
        const is = cutG(question, answer);
        return t('practice.drill.dividing.why', {
          is: f.grams(is, 0),
          wanted: f.grams(question.wantedG, 0),
          off: f.percent((100 * Math.abs(is - question.wantedG)) / question.wantedG, 0),
          within: f.percent(question.tolerancePercent, 0),
        });
      }
    }
  };
  return (
    <div className={styles['why']} data-right={score >= RIGHT} role="status">
      <p>
        <b>{t(score >= RIGHT ? 'practice.drill.right' : 'practice.drill.wrong')}</b>
      </p>
      <p>{words()}</p>
      <p>{t('practice.reading.score', { score: f.count(Math.round(100 * score)) })}</p>
    </div>
  );
}
