/** What machines post to a house, each with a token of its own. */
export const MACHINE_KINDS = ['probe', 'till'] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

/** A machine to be let in. */
export interface MachineStart {
  readonly kind: MachineKind;
  readonly name: string;
  /** The one probe that it posts readings of; null for a till. */
  readonly probeId: string | null;
}

/** A machine as the house knows it. Instants are ISO 8601, UTC. */
export interface Machine extends MachineStart {
  readonly id: string;
  readonly issuedAt: string;
  /** When it last posted something; null before it first does. */
  readonly lastSeenAt: string | null;
  /** Since when its token is good for nothing; null while it is. */
  readonly revokedAt: string | null;
}

/** A machine with its token, which is told this once: the house keeps only its hash. */
export interface MachineIssued {
  readonly machine: Machine;
  readonly token: string;
}
