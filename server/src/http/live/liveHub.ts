import type { LiveEvent } from '@calm/contract';
import type { Logger } from 'pino';
import type { Database } from '../../database/database';
import { latestWrite, writesAfter, type HouseWrite } from '../../use-cases/live';

/** Writes of other processes are looked for this often, ms. */
const LOOK_MS = 500;
/** A write may be seen after one with a higher number: so many back are looked at again. */
const OVERLAP = 200;
/** Numbers that are remembered as told. */
const REMEMBERED = 4 * OVERLAP;

type Send = (event: LiveEvent) => void;

/**
 * Tells devices what is written in their house. What was written stands in a table; the hub reads on in it, at once after a write of this process and twice a second for those of others.
 */
export class LiveHub {
  private readonly listeners = new Map<string, Set<Send>>();
  private readonly ends = new Set<() => void>();
  private readonly told = new Set<number>();
  private latest: number | null = null;
  private timer: NodeJS.Timeout | null = null;
  private looking: Promise<void> | null = null;
  private isNudged = false;
  private isStopped = false;

  constructor(
    private readonly db: Database,
    private readonly log: Logger,
  ) {}

  /**
   * Follows a house from now on. Gives back how to stop.
   *
   * @param end called when the hub itself stops: nothing more will come
   */
  async subscribe(houseId: string, send: Send, end: () => void): Promise<() => void> {
    if (this.latest === null) this.latest = await latestWrite(this.db);
    const all = this.listeners.get(houseId) ?? new Set();
    this.listeners.set(houseId, all);
    all.add(send);
    this.ends.add(end);
    this.timer ??= setInterval(() => this.nudge(), LOOK_MS).unref();
    return () => {
      all.delete(send);
      this.ends.delete(end);
      if (all.size === 0) this.listeners.delete(houseId);
      if (this.listeners.size > 0 || !this.timer) return;
      clearInterval(this.timer);
      this.timer = null;
    };
  }

  /** How many follow a house. */
  get lines(): number {
    return this.ends.size;
  }

  /** Something was written: looks at once, or once more when it is looking already. */
  nudge(): void {
    if (this.isStopped || this.listeners.size === 0) return;
    if (this.looking) {
      this.isNudged = true;
      return;
    }
    this.looking = this.look()
      .catch((error: unknown) => this.log.warn({ err: error }, 'live events could not be read'))
      .finally(() => {
        this.looking = null;
        if (!this.isNudged) return;
        this.isNudged = false;
        this.nudge();
      });
  }

  /** Stops looking; resolves when nothing is being read any more. */
  async stop(): Promise<void> {
    this.isStopped = true;
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    for (const end of this.ends) end();
    await this.looking;
  }

  private async look(): Promise<void> {
    const entries = await writesAfter(this.db, Math.max(0, (this.latest ?? 0) - OVERLAP));
    for (const write of entries) this.tell(write);
    for (const id of this.told) {
      if (this.told.size <= REMEMBERED) break;
      this.told.delete(id);
    }
  }

  private tell({ id, houseId, path }: HouseWrite): void {
    const isOld = id <= (this.latest ?? 0) - OVERLAP;
    if (isOld || this.told.has(id)) return;
    this.told.add(id);
    this.latest = Math.max(this.latest ?? 0, id);
    for (const send of this.listeners.get(houseId) ?? []) send({ id, path });
  }
}
