import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import {
  PASSWORD_LENGTH,
  PIN_LENGTH,
  ROLES,
  isGoodSecret,
  secretKindOf,
  type CrewContent,
  type CrewMember,
} from '@calm/contract';
import { SKILLS } from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useHouse } from '../../../state/board/useBoard';
import { useRecordEditor } from '../../../state/drafts/useRecordEditor';
import {
  useAddPersonMutation,
  useChangePersonMutation,
  useGiveSecretMutation,
  useRemovePersonMutation,
} from '../crewApi';
import styles from './Crew.module.css';

const contentOf = ({ name, initials, role, skills }: CrewMember): CrewContent => ({
  name,
  initials,
  role,
  skills,
});
const NOBODY: CrewContent = { name: '', initials: '', role: 'hand', skills: [] };

/** Somebody of the crew: name, role, skills, and what they come in by. */
export function PersonDialog({
  person,
  onClose,
}: {
  /** Null makes a new one. */
  readonly person: CrewMember | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const house = useHouse();
  const [add] = useAddPersonMutation();
  const [change] = useChangePersonMutation();
  const [remove] = useRemovePersonMutation();
  const [secret, setSecret] = useState('');
  const [weak, setWeak] = useState<string | null>(null);
  const give = useGiveSecret(house);
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    CrewContent,
    CrewMember
  >({
    house,
    record: person,
    contentOf,
    of: 'person',
    start: () => NOBODY,
    writes: {
      add: (sent) => ({ unwrap: async () => give(await add(sent).unwrap(), secret) }),
      change: (sent) => ({ unwrap: async () => give(await change(sent).unwrap(), secret) }),
      remove,
    },
    say: {
      kept: ({ name, canSignIn }) =>
        t(secret !== '' && !canSignIn ? 'crew.person.secretNotGiven' : 'crew.person.kept', {
          name,
        }),
      removed: ({ name }) => t('crew.person.removed', { name }),
    },
    onClose,
  });
  const by = secretKindOf(content.role);
  const limits = by === 'pin' ? PIN_LENGTH : PASSWORD_LENGTH;
  return (
    <RecordDialog
      title={person ? person.name : t('crew.person.new')}
      wrong={weak ?? wrong}
      onKeep={() => {
        const isGood = secret === '' || isGoodSecret(content.role, secret);
        setWeak(isGood ? null : t(`crew.person.weak.${by}`, limits));
        if (!isGood) return;
        keep({ ...content, name: content.name.trim(), initials: content.initials.trim() });
      }}
      onRemove={person ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
    >
      <div className={styles['pair']}>
        <TextField
          autoFocus
          required
          size="small"
          label={t('crew.person.name')}
          value={content.name}
          onChange={(typed) => put({ name: typed.target.value })}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <TextField
          required
          size="small"
          label={t('crew.person.initials')}
          value={content.initials}
          onChange={(typed) => put({ initials: typed.target.value.toUpperCase() })}
          slotProps={{ htmlInput: { maxLength: 4 } }}
        />
      </div>
      <Choice
        label={t('crew.person.role')}
        width="100%"
        value={content.role}
        values={ROLES}
        say={(role) => t(`roles.${role}`)}
        onChange={(role) => put({ role })}
      />
      <p className="quiet small">{t(`crew.may.${content.role}`)}</p>
      <fieldset className={styles['skills']}>
        <legend>{t('crew.person.skills')}</legend>
        {SKILLS.map((skill) => (
          <FormControlLabel
            key={skill}
            label={t(`crew.skills.${skill}`)}
            control={
              <Checkbox
                size="small"
                checked={content.skills.includes(skill)}
                onChange={(_event, isOn) =>
                  put({
                    skills: isOn
                      ? [...content.skills, skill]
                      : content.skills.filter((each) => each !== skill),
                  })
                }
              />
            }
          />
        ))}
      </fieldset>
      <TextField
        size="small"
        type="password"
        autoComplete="new-password"
        label={t(`crew.person.${person?.canSignIn ? 'newSecret' : 'secret'}.${by}`)}
        helperText={t(`crew.person.secretHow.${by}`, limits)}
        value={secret}
        onChange={(typed) => setSecret(typed.target.value)}
        slotProps={{ htmlInput: by === 'pin' ? { inputMode: 'numeric' } : {} }}
      />
    </RecordDialog>
  );
}

/** Gives somebody what they come in by, once they are kept; without one they are only kept. */
function useGiveSecret(house: string) {
  const [giveSecret] = useGiveSecretMutation();
  return async (kept: CrewMember, secret: string): Promise<CrewMember> => {
    if (secret === '') return kept;
    const { error } = await giveSecret({ house, id: kept.id, secret });
    return { ...kept, canSignIn: !error };
  };
}
