import { SKILLS } from '../formula/route';
import {
  benchOf,
  blocksOf,
  isAtMixer,
  openLedger,
  peopleBySkills,
  skillIndex,
  type Ledger,
} from '../schedule/search/ledger';
import {
  lotVariantsOfDough,
  type Block,
  type Edge,
  type LotVariant,
  type VariantWork,
} from '../schedule/search/lotVariants';
import type { WeekProblem } from '../schedule/problem/problem';
import { startCostsOf, costTablesOf } from '../schedule/search/costTables';
import { offPreferred, type CostTables } from '../schedule/search/costToGo';

/*
 * A week as a mixed-integer programme in the text format that solvers read, for judging plans: one binary
 * for each block and quarter it may start at. People are counted by sets of skills, not named; so its
 * optimum is a proven bound, and the optimum itself wherever a plan that names people reaches it.
 */

/** A programme as text, and how many binaries it has. */
export interface ExactModel {
  readonly text: string;
  readonly binaries: number;
}

/** Writes a week as a programme. */
export function exactModelOf(problem: WeekProblem): ExactModel {
  const ledger = openLedger(problem);
  const writer = new ModelWriter(problem, ledger);
  for (const dough of problem.doughs) {
    const byStart = lotVariantsOfDough(problem, dough);
    byStart.forEach((variants, i) => {
      // Each service is covered by exactly one run.
      const covering = byStart.flatMap((each, from) =>
        each.filter((variant) => from <= i && from + variant.serviceIds.length > i),
      );
      writer.cover(covering);
      variants.forEach((variant) => writer.variant(variant));
    });
  }
  return writer.finish();
}

/** A sum of variables with their factors. */
type Sum = string[];

class ModelWriter {
  private readonly goal: Sum = [];
  private readonly rows: string[] = [];
  private readonly binaries: string[] = [];
  private readonly names = new Map<LotVariant, string>();
  /** What is used at each quarter, by resource. */
  private readonly usage = new Map<string, Usage>();
  private readonly costTables: CostTables;
  private count = 0;

  constructor(
    private readonly problem: WeekProblem,
    ledger: Ledger,
  ) {
    this.costTables = costTablesOf(problem, ledger, startCostsOf(problem, ledger.span));
    for (const [set, counts] of peopleBySkills(ledger)) {
      this.usage.set(`skills/${set}`, { at: new Map(), capacity: counts });
    }
    for (const [id, list] of ledger.mixers) {
      this.usage.set(`mixer/${id}`, { at: new Map(), capacity: list });
    }
    this.usage.set('bench', { at: new Map(), capacity: ledger.bench });
    for (const [name, list] of ledger.trays) {
      this.usage.set(`trays/${name}`, { at: new Map(), capacity: list });
    }
    for (const [name, list] of ledger.tubs) {
      this.usage.set(`tubs/${name}`, { at: new Map(), capacity: list });
    }
  }

  private nameOf(variant: LotVariant): string {
    const known = this.names.get(variant);
    if (known) return known;
    const name = `z${this.names.size}`;
    this.names.set(variant, name);
    this.binaries.push(name);
    return name;
  }

  private row(sum: Sum, sense: string, value: number): void {
    this.count += 1;
    this.rows.push(` r${this.count}: ${sum.join(' ')} ${sense} ${value}`);
  }

  cover(variants: readonly LotVariant[]): void {
    // A service that no mode covers makes the programme infeasible, as it is.
    const sum = variants.map((variant) => `+ ${this.nameOf(variant)}`);
    this.row(sum.length > 0 ? sum : ['0 nothing'], '=', 1);
  }

  variant(variant: LotVariant): void {
    const z = this.nameOf(variant);
    this.goal.push(`+ ${this.problem.weights.mix} ${z}`);
    const blocks = blocksOf(variant);
    const starts = new Map(
      blocks.map((block, i) => [block, this.starts(variant, block, `${z}b${i}`)]),
    );
    for (const block of blocks) {
      const own = starts.get(block) ?? [];
      this.row([...own.map(({ name }) => `+ ${name}`), `- ${z}`], '=', 0);
      block.next.forEach((edge, i) => {
        const to = starts.get(edge.to) ?? [];
        this.edge(`${own[0]?.name ?? z}e${i}`, block, own, edge, to);
      });
    }
  }

  /** A binary for each quarter at which a block may start, with what it costs and uses there. */
  private starts(variant: LotVariant, block: Block, prefix: string): Start[] {
    const { domain } = block;
    if (!domain) return [];
    const { first, length } = this.costTables;
    const costs = block.works.map((work) => ({
      work,
      at: this.costTables.workAt(work, block, variant),
    }));
    const starts: Start[] = [];
    for (
      let t = Math.max(0, domain[0] - first);
      t <= Math.min(length - 1, domain[1] - first);
      t += 1
    ) {
      const cost = costs.reduce((sum, { work, at }) => sum + (at[t + work.offset] ?? Infinity), 0);
      if (cost === Infinity) continue;
      const name = `${prefix}t${t}`;
      starts.push({ name, t });
      this.binaries.push(name);
      if (cost > 0) this.goal.push(`+ ${cost} ${name}`);
      for (const work of block.works) this.use(variant, work, t, name, `${prefix}w${work.stage}`);
    }
    return starts;
  }

  private use(
    variant: LotVariant,
    work: VariantWork,
    t: number,
    name: string,
    owner: string,
  ): void {
    const [from, to] = [t + work.offset, t + work.offset + work.quarters];
    const bit = 1 << skillIndex(work.work.skill);
    for (let set = 1; set < 1 << SKILLS.length; set += 1) {
      if (set & bit) this.take(`skills/${set}`, from, to, work.work.people, name, owner);
    }
    if (isAtMixer(work)) this.take(`mixer/${variant.mixerId}`, from, to, 1, name, owner);
    this.take('bench', from, to, benchOf(work), name, owner);
  }

  /** @param owner what can use it only once, however many binaries stand for it */
  private take(
    what: string,
    from: number,
    to: number,
    amount: number,
    name: string,
    owner: string,
  ): void {
    const usage = this.usage.get(what);
    if (!usage || amount === 0) return;
    for (let t = from; t < to; t += 1) {
      const at = usage.at.get(t) ?? { sum: [], owners: new Map<string, number>() };
      at.sum.push(`${amount > 0 ? '+' : '-'} ${Math.abs(amount)} ${name}`);
      at.owners.set(owner, Math.max(amount, at.owners.get(owner) ?? 0));
      usage.at.set(t, at);
    }
  }

  /** A rest: its bounds, what it is off its preferred hours, and the room it takes. */
  private edge(
    name: string,
    block: Block,
    from: readonly Start[],
    edge: Edge,
    to: readonly Start[],
  ): void {
    // One variable for each length a rest can have from each start: what flows in flows out. That makes the
    // relaxation as strong as each lot's own cheapest way.
    const weight = this.costTables.quality * edge.share;
    const arriving = new Map<Start, Sum>(to.map((end) => [end, []]));
    for (const start of from) {
      const leaving: Sum = [];
      for (const end of to) {
        const length = end.t - start.t - block.quarters;
        if (length < edge.least || length > edge.most) continue;
        const arc = `${name}a${start.t}_${end.t}`;
        leaving.push(`+ ${arc}`);
        arriving.get(end)?.push(`+ ${arc}`);
        const points = weight * offPreferred(edge, length);
        if (points > 0) this.goal.push(`+ ${points} ${arc}`);
      }
      this.row([...leaving, `- ${start.name}`], '=', 0);
    }
    for (const [end, sum] of arriving) this.row([...sum, `- ${end.name}`], '=', 0);
    this.rests(name, edge, block, from, to);
  }

  /** A rest takes its room from when it has begun until it has ended. */
  private rests(
    name: string,
    edge: Edge,
    block: Block,
    from: readonly Start[],
    to: readonly Start[],
  ): void {
    for (const [what, amount] of [
      [`trays/${edge.rest.place}`, edge.trays],
      [`tubs/${edge.rest.place}`, edge.tubs],
    ] as const) {
      if (amount === 0 || !this.usage.has(what)) continue;
      const last = this.costTables.length;
      // Room is taken only while a rest can lie there: afterwards the sums cancel out.
      const until = Math.max(0, ...to.map(({ t }) => t));
      for (const { t, name: start } of from) {
        this.take(what, t + block.quarters, Math.min(last, until), amount, start, name);
      }
      for (const { t, name: end } of to) {
        this.take(what, t, Math.min(last, until), -amount, end, name);
      }
    }
  }

  /** A larger set of skills that no more people have allows no more work: its row is the stricter one. */
  private isSaidElsewhere(what: string, t: number, there: number): boolean {
    const [kind, own] = what.split('/');
    if (kind !== 'skills') return false;
    const set = Number(own);
    for (let bit = 1; bit < 1 << SKILLS.length; bit <<= 1) {
      if (set & bit) continue;
      if (this.usage.get(`skills/${set | bit}`)?.capacity[t] === there) return true;
    }
    return false;
  }

  finish(): ExactModel {
    for (const [what, { at, capacity }] of this.usage) {
      for (const [t, { sum, owners }] of at) {
        const there = capacity[t] ?? 0;
        // What cannot be used up is not worth a row, nor what another row says more strictly.
        const most = [...owners.values()].reduce((all, amount) => all + amount, 0);
        if (most > there && !this.isSaidElsewhere(what, t, there)) this.row(sum, '<=', there);
      }
    }
    const wrapped = (sum: readonly string[]) => sum.join('\n ');
    return {
      binaries: this.binaries.length,
      text: [
        'Minimize',
        ` points: ${wrapped(this.goal.length > 0 ? this.goal : ['0 nothing'])}`,
        'Subject To',
        ...this.rows.map((row) => row.replace(/ ([+-]) /g, '\n $1 ')),
        'Bounds',
        ' 0 <= nothing <= 0',
        'Binaries',
        ` ${wrapped(this.binaries)}`,
        'End',
        '',
      ].join('\n'),
    };
  }
}

/** Who uses a resource at each quarter, and how much of it there is. */
interface Usage {
  readonly at: Map<number, { readonly sum: Sum; readonly owners: Map<string, number> }>;
  readonly capacity: ArrayLike<number>;
}

interface Start {
  readonly name: string;
  readonly t: number;
}
