import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import {
  PASSWORD_LENGTH,
  PIN_LENGTH,
  ROLES,
  isGoodSecret,
  secretKindOf,
  type SecretChange,
  type CrewContent,
  type CrewMember,
} from '@calm/contract';
import { SKILLS } from '@calm/core';
import { useRef, useState } from 'react';
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
  useRejoinCrewMutation,
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
  const [rejoin] = useRejoinCrewMutation();
  const [secret, setSecret] = useState('');
  const [ownSecret, setOwnSecret] = useState('');
  const [weak, setWeak] = useState<string | null>(null);
  const give = useGiveSecret(house);
  /** Somebody who is kept, with what they come in by; without it when that was refused. */
  const withSecret = async (kept: CrewMember): Promise<CrewMember> => {
    if (secret === '') return kept;
    const isGiven = await give(kept.id, { secret, ownSecret }).then(
      () => true,
      () => false,
    );
    return { ...kept, canSignIn: isGiven };
  };
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
      add: (sent) => ({
        // Whoever was removed just now comes back as who they are, not as somebody new of the same name.
        unwrap: async () =>
          person ? rejoin({ house, id: person.id }).unwrap() : withSecret(await add(sent).unwrap()),
      }),
      change: (sent) => ({
        unwrap: async () => {
          // Where the secret stays of one kind it goes first: what is refused then leaves everything as it was.
          const by = secretKindOf(sent.change.content.role);
          const isOfKind = person !== null && secretKindOf(person.role) === by;
          if (!isOfKind) return withSecret(await change(sent).unwrap());
          await give(person.id, { secret, ownSecret });
          const kept = await change(sent).unwrap();
          return { ...kept, canSignIn: kept.canSignIn || secret !== '' };
        },
      }),
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
      {secret !== '' && (
        <TextField
          required
          size="small"
          type="password"
          autoComplete="current-password"
          label={t('crew.person.ownSecret')}
          helperText={t('crew.person.ownSecretHow')}
          value={ownSecret}
          onChange={(typed) => setOwnSecret(typed.target.value)}
        />
      )}
    </RecordDialog>
  );
}

/** Gives somebody what they come in by; nothing typed gives nothing. */
function useGiveSecret(house: string) {
  const [giveSecret] = useGiveSecretMutation();
  // Undoing what was saved beside it gives it no second time.
  const isGiven = useRef(false);
  return async (id: string, change: SecretChange): Promise<void> => {
    if (change.secret === '' || isGiven.current) return;
    await giveSecret({ house, id, ...change }).unwrap();
    isGiven.current = true;
  };
}
