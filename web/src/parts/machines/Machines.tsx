import type { Machine, MachineKind, MachineStart } from '@calm/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../fields/Choice';
import { useFormats } from '../format/useFormats';
import { useTried } from '../messages/useTried';
import styles from './Machines.module.css';
import { ShownOnce } from './ShownOnce';

/** Machines of one kind that post by themselves: each with a token that is shown once, seen when, and let in no more. */
export function Machines({
  kind,
  machines,
  probes = [],
  issue,
  revoke,
}: {
  readonly kind: MachineKind;
  readonly machines: readonly Machine[];
  /** The probes that a token can be for. */
  readonly probes?: readonly { readonly id: string; readonly name: string }[];
  readonly issue: (start: MachineStart) => Promise<string>;
  readonly revoke: (id: string) => Promise<unknown>;
}) {
  const { t } = useTranslation();
  const [issued, setIssued] = useState<{ readonly name: string; readonly token: string } | null>(
    null,
  );
  const { wrong, tried } = useTried();
  return (
    <section className={styles['machines']}>
      <h2>{t(`machines.title.${kind}`)}</h2>
      <p className="quiet">{t(`machines.how.${kind}`)}</p>
      {machines.length > 0 && (
        <table>
          <tbody>
            {machines.map((machine) => (
              <MachineRow
                key={machine.id}
                machine={machine}
                onRevoke={() => void tried(async () => void (await revoke(machine.id)))}
              />
            ))}
          </tbody>
        </table>
      )}
      <StartMachine
        kind={kind}
        probes={probes}
        onStart={(start) =>
          void tried(async () => setIssued({ name: start.name, token: await issue(start) }))
        }
      />
      {wrong && <p role="alert">{wrong}</p>}
      {issued && (
        <ShownOnce secret={issued.token}>
          <b>{t('machines.token', { name: issued.name })}</b> {t('machines.once')}
        </ShownOnce>
      )}
    </section>
  );
}

function MachineRow({
  machine: { name, issuedAt, lastSeenAt, revokedAt },
  onRevoke,
}: {
  readonly machine: Machine;
  readonly onRevoke: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const at = (iso: string) => f.moment(Date.parse(iso));
  return (
    <tr data-revoked={revokedAt !== null}>
      <th scope="row">{name}</th>
      <td>{t('machines.issued', { at: at(issuedAt) })}</td>
      <td>{lastSeenAt ? t('machines.seen', { at: at(lastSeenAt) }) : t('machines.neverSeen')}</td>
      <td>
        {revokedAt ? (
          t('machines.revoked', { at: at(revokedAt) })
        ) : (
          <Button size="small" color="error" onClick={onRevoke}>
            {t('machines.revoke', { name })}
          </Button>
        )}
      </td>
    </tr>
  );
}

function StartMachine({
  kind,
  probes,
  onStart,
}: {
  readonly kind: MachineKind;
  readonly probes: readonly { readonly id: string; readonly name: string }[];
  readonly onStart: (start: MachineStart) => void;
}) {
  const { t } = useTranslation();
  const [name, setName] = useState('');
  const [probeId, setProbe] = useState(probes[0]?.id ?? '');
  const nameOf = (id: string) => probes.find((probe) => probe.id === id)?.name ?? '';
  const start: MachineStart =
    kind === 'probe'
      ? { kind, name: nameOf(probeId), probeId }
      : { kind, name: name.trim(), probeId: null };
  return (
    <form
      className={styles['start']}
      onSubmit={(submit) => {
        submit.preventDefault();
        onStart(start);
        setName('');
      }}
    >
      {kind === 'probe' ? (
        <Choice
          label={t('machines.probe')}
          value={probeId}
          values={probes.map(({ id }) => id)}
          say={nameOf}
          width={220}
          onChange={setProbe}
        />
      ) : (
        <TextField
          size="small"
          label={t('machines.name')}
          value={name}
          onChange={(typed) => setName(typed.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
      )}
      <Button type="submit" variant="outlined" disabled={start.name === ''}>
        {t('machines.issue')}
      </Button>
    </form>
  );
}
