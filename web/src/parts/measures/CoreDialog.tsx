import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { NumberField } from '../fields/NumberField';
import { KITCHEN_TEMP } from '../fields/readNumber';
import { RecordDialog } from '../layout/RecordDialog';

/** How warm the dough is in its middle. */
export function CoreDialog({
  onPut,
  onClose,
}: {
  readonly onPut: (coreTempC: number) => void;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const [coreTempC, setCoreTempC] = useState<number | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  return (
    <RecordDialog
      title={t('measure.kind.core')}
      wrong={wrong}
      onKeep={() => (coreTempC === null ? setWrong(t('numbers.empty')) : onPut(coreTempC))}
      onClose={onClose}
    >
      <NumberField
        label={t('measure.kind.core')}
        measure="temp"
        rule={{ ...KITCHEN_TEMP, mayBeEmpty: true }}
        step={0.5}
        value={coreTempC}
        onInput={setCoreTempC}
        onCommit={setCoreTempC}
      />
    </RecordDialog>
  );
}
