import type { Method } from '@calm/contract';
import type { LineKind, Preferment } from '@calm/core';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { StepList } from './MethodPart';

/** How the pre-ferment of a formula is made: the usual way, or by steps of the house's own. */
export function AheadPart({
  method,
  preferment,
  onChange,
}: {
  readonly method: Method;
  readonly preferment: Preferment;
  readonly onChange: (method: Method, what: string) => void;
}) {
  const { t } = useTranslation();
  const kinds: LineKind[] = [
    'flour',
    'water',
    ...(preferment.saltPercent ? (['salt'] as const) : []),
    'yeast',
  ];
  const { ahead } = method;
  return (
    <section aria-label={t('formulas.method.ahead')}>
      <h2>{t('formulas.method.ahead')}</h2>
      {ahead ? (
        <StepList
          steps={ahead}
          label={t('formulas.method.ahead')}
          kinds={kinds}
          onChange={(steps, what) => {
            const { ahead: _none, ...usual } = method;
            onChange(steps.length > 0 ? { ...method, ahead: steps } : usual, what);
          }}
        />
      ) : (
        <>
          <p>{t('formulas.method.aheadUsual')}</p>
          <EditOnly>
            <Button
              variant="outlined"
              onClick={() =>
                onChange(
                  {
                    ...method,
                    ahead: [
                      {
                        key: 'step-1',
                        title: preferment.name,
                        detail: '',
                        adds: kinds.map((kind) => ({ kind, percent: 100 })),
                      },
                    ],
                  },
                  t('formulas.method.ahead'),
                )
              }
            >
              {t('formulas.method.aheadWrite')}
            </Button>
          </EditOnly>
        </>
      )}
    </section>
  );
}
