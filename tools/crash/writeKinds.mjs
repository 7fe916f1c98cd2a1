import { randomUUID } from 'node:crypto';
import { aJpeg } from '../../server/src/test-support/photo';

/*
 * Every kind of write that people and machines do, as something that can be counted afterwards: what was acknowledged
 * has to be there, once.
 */

/** @typedef {(sql: string, values?: unknown[]) => Promise<Record<string, unknown>[]>} Query */
/**
 * A write; `token` is a machine's, and without one somebody signed in writes.
 * @typedef {{ method: string, path: string, body: object, token?: string }} Write
 */
/**
 * One that can be found by its name.
 * @typedef {{ name: string, write: Write, accepted: number[] }} Named
 */
/**
 * `next` is null where a client has nothing more to write of a kind; `found` counts what is there by name; `lines` is what
 * of the record of who did what belongs to it, as a condition in SQL, or null for machines.
 * @typedef {object} Kind
 * @property {(client: number, i: number) => Named | null} next
 * @property {(query: Query) => Promise<Map<string, number>>} found
 * @property {string | null} lines
 */

/** Photos of one lot that a house keeps, less a few. */
const PHOTOS_A_LOT = 50;
/** Older than any reading of the demo house that could be in the way, and not too old to be taken: s ago. */
const READINGS_FROM_S = 30_000;

const accepted = (/** @type {number[]} */ ...statuses) => statuses;
const counted = (/** @type {Record<string, unknown>[]} */ rows) =>
  new Map(rows.map(({ name, times }) => [String(name), Number(times)]));

/**
 * @param {(path: string) => Promise<any>} read
 * @param {(method: string, path: string, body: object) => Promise<any>} write
 * @param {number} clients
 * @returns {Promise<Record<string, Kind>>}
 */
export async function writeKinds(read, write, clients) {
  const day = new Date().toISOString().slice(0, 10);
  const before = new Date(Date.now() - 3 * 86_400_000).toISOString().slice(0, 10);
  const [lots, services, book, cold, plan] = await Promise.all([
    read(`lots?from=${before}&days=6`),
    read(`services?from=${day}&days=14`),
    read('book'),
    read('cold'),
    read('plan'),
  ]);
  const past = (await read(`services?from=${before}&days=4`)).findLast(
    (/** @type {{ endsAt: string }} */ { endsAt }) => Date.parse(endsAt) < Date.now(),
  );
  const product = book.products[0].id;
  const soldBefore = Number(
    (await read(`sales?from=${past.date}&days=1`)).find(
      (/** @type {any} */ sale) => sale.patternId === past.patternId && sale.productId === product,
    )?.sold ?? 0,
  );
  const place = book.places.find((/** @type {{ room: unknown }} */ { room }) => room !== null).id;
  const { placeId, zone } = cold.probes[0];
  // A probe of its own: of a moment that a house knows already, the first reading stays.
  const ownProbe = { name: 'crash', placeId, zone, calibrations: [] };
  const probe = await write('POST', 'probes', ownProbe);
  const [{ token: probeToken }, { token: tillToken }] = [
    await write('POST', 'machines', { kind: 'probe', name: 'crash', probeId: probe.id }),
    await write('POST', 'machines', { kind: 'till', name: 'crash', probeId: null }),
  ];
  const jpeg = (await aJpeg()).toString('base64');
  const nameOf = (/** @type {number} */ client, /** @type {number} */ i) => `crash ${client} ${i}`;
  const lotOf = (/** @type {number} */ client) => lots[client % lots.length];
  const soldAt = new Date(Date.parse(past.startsAt) + 600_000).toISOString();
  const firstS = Math.floor(Date.now() / 1000) - READINGS_FROM_S;

  /** What has versions belongs to one client each: its name is the version it has come to. */
  const versioned = (
    /** @type {string} */ what,
    /** @type {(client: number) => { at: number, path: string, body: (version: number) => object } | null} */ own,
  ) => {
    const all = Array.from({ length: clients }, (_x, client) => own(client));
    return (/** @type {number} */ client) => {
      const one = all[client];
      if (!one) return null;
      const write = { method: 'PUT', path: one.path, body: one.body(one.at) };
      one.at += 1;
      return { name: `${what} ${client} ${one.at}`, write, accepted: accepted(200) };
    };
  };
  const versionsFound =
    (
      /** @type {string} */ what,
      /** @type {string} */ sql,
      /** @type {(client: number) => unknown[]} */ keys,
    ) =>
    async (/** @type {Query} */ query) => {
      const found = new Map();
      for (let client = 0; client < clients; client += 1) {
        const [row] = await query(sql, keys(client));
        for (let version = 1; version <= Number(row?.['version'] ?? 0); version += 1)
          found.set(`${what} ${client} ${version}`, 1);
      }
      return found;
    };
  const countOf = (/** @type {number} */ client) => {
    const { date, patternId, counts } = services[client % services.length];
    const { version, productId } = counts.find(
      (/** @type {any} */ each) => each.productId === product,
    );
    return { date, patternId, productId, version };
  };
  const loadOf = (/** @type {number} */ client) =>
    client < lots.length ? { lot: lots[client], load: lots[client].loads[0] } : null;

  return {
    events: {
      next: (client, i) => {
        const name = nameOf(client, i);
        const body = { date: '2030-01-01', patternId: null, name, expectedPercent: 100, note: '' };
        return { name, write: { method: 'POST', path: 'events', body }, accepted: accepted(201) };
      },
      found: async (query) =>
        counted(
          await query(
            "select name, count(*) times from events where name like 'crash %' group by name",
          ),
        ),
      lines: "method = 'POST' and path = '/events'",
    },
    records: {
      next: (client, i) => {
        const name = nameOf(client, i);
        const body = { id: randomUUID(), content: { kind: 'said', note: name } };
        const path = `lots/${lotOf(client).id}/records`;
        return { name, write: { method: 'POST', path, body }, accepted: accepted(201) };
      },
      found: async (query) =>
        counted(
          await query(
            "select json_value(content, '$.note') name, count(*) times from lot_records where kind = 'said' and json_value(content, '$.note') like 'crash %' group by 1",
          ),
        ),
      lines: "path like '/lots/%/records'",
    },
    photos: {
      next: (client, i) => {
        if (Math.floor(client / lots.length) > 0 || i > PHOTOS_A_LOT) return null;
        const name = nameOf(client, i);
        const path = `lots/${lotOf(client).id}/photos`;
        const body = { id: randomUUID(), note: name, jpeg };
        return { name, write: { method: 'POST', path, body }, accepted: accepted(201) };
      },
      found: async (query) =>
        counted(
          await query(
            "select json_value(content, '$.note') name, count(*) times from lot_records r join lot_photos p on p.id = json_value(content, '$.photoId') where kind = 'photo' and json_value(content, '$.note') like 'crash %' group by 1",
          ),
        ),
      lines: "path like '/lots/%/photos'",
    },
    handovers: {
      next: (client, i) => {
        const name = nameOf(client, i);
        const body = { lines: [], note: name };
        return {
          name,
          write: { method: 'POST', path: 'handovers', body },
          accepted: accepted(201),
        };
      },
      found: async (query) =>
        counted(
          await query(
            "select note name, count(*) times from handovers where note like 'crash %' group by note",
          ),
        ),
      lines: "method = 'POST' and path = '/handovers'",
    },
    rounds: {
      next: (client, i) => {
        const name = nameOf(client, i);
        const body = { id: randomUUID(), content: { kind: 'action', placeId: place, note: name } };
        return {
          name,
          write: { method: 'POST', path: 'cold-notes', body },
          accepted: accepted(201),
        };
      },
      found: async (query) =>
        counted(
          await query(
            "select json_value(content, '$.note') name, count(*) times from cold_notes where json_value(content, '$.note') like 'crash %' group by 1",
          ),
        ),
      lines: "path = '/cold-notes'",
    },
    readings: {
      next: (client, i) => {
        const atS = firstS + i * clients + client;
        const body = { probes: [{ probe: probe.id, atS: [atS], airC: [4.25] }] };
        const write = { method: 'POST', path: 'readings', body, token: probeToken };
        return { name: String(atS), write, accepted: accepted(200) };
      },
      found: async (query) =>
        counted(
          await query(
            'select at_s name, count(*) times from readings where machine_no is not null group by probe_no, at_s',
          ),
        ),
      lines: null,
    },
    till: {
      next: (client, i) => {
        const number = `crash-${client}-${i}`;
        const sales = [{ number, at: soldAt, productId: product, balls: 1 }];
        const write = { method: 'POST', path: 'till', body: { sales }, token: tillToken };
        return { name: number, write, accepted: accepted(200) };
      },
      // By what was added to the sales: a sale that is noted once and added twice would be seen.
      found: async (query) => {
        const rows = await query(
          "select number name, 1 times from till_sales where number like 'crash-%'",
        );
        const [sum] = await query(
          'select sold from sales where date = ? and pattern_id = ? and product_id = ?',
          [past.date, past.patternId, product],
        );
        const added = Number(sum?.['sold'] ?? 0) - soldBefore;
        const found = counted(rows);
        if (added !== rows.length) found.set(`${added} added of ${rows.length} noted`, 2);
        return found;
      },
      lines: null,
    },
    counts: {
      next: versioned('count', (client) => {
        if (client >= services.length) return null;
        const { date, patternId, productId, version } = countOf(client);
        const path = `counts/${date}/${patternId}/${productId}`;
        return { at: version, path, body: (at) => ({ count: 50 + (at % 50), version: at }) };
      }),
      found: versionsFound(
        'count',
        'select version from chosen_counts where date = ? and pattern_id = ? and product_id = ?',
        (client) => {
          const { date, patternId, productId } = countOf(client);
          return [date, patternId, productId];
        },
      ),
      lines: "path like '/counts/%'",
    },
    loads: {
      next: versioned('load', (client) => {
        const own = loadOf(client);
        if (!own) return null;
        const { version, roomTempC, flourTempC, tapTempC, prefermentTempC, doughOutC } = own.load;
        const temps = { roomTempC, flourTempC, tapTempC, prefermentTempC, doughOutC };
        const path = `lots/${own.lot.id}/loads/${own.load.number}`;
        return {
          at: version,
          path,
          body: (at) => ({ ...temps, roomTempC: 20 + (at % 5), version: at }),
        };
      }),
      found: versionsFound(
        'load',
        'select version from loads where lot_id = ? and number = ?',
        (client) => {
          const own = loadOf(client);
          return own ? [own.lot.id, own.load.number] : ['', 0];
        },
      ),
      lines: "path regexp '^/lots/[^/]+/loads/[0-9]+$'",
    },
    marks: {
      next: versioned('mark', (client) => {
        const own = loadOf(client);
        const key = own?.lot.recipe.method.steps[0]?.key;
        if (!own || !key) return null;
        const at = own.lot.marks.find(
          (/** @type {any} */ mark) => mark.loadNumber === own.load.number && mark.stepKey === key,
        )?.version;
        const path = `lots/${own.lot.id}/marks/${own.load.number}/${key}`;
        return { at: at ?? 0, path, body: (version) => ({ isDone: version % 2 === 0, version }) };
      }),
      found: versionsFound(
        'mark',
        'select version from marks where lot_id = ? and load_number = ? and step_key = ?',
        (client) => {
          const own = loadOf(client);
          return own
            ? [own.lot.id, own.load.number, own.lot.recipe.method.steps[0]?.key]
            : ['', 0, ''];
        },
      ),
      lines: "path like '/lots/%/marks/%'",
    },
    plan: {
      next: versioned('plan', (client) =>
        client > 0
          ? null
          : {
              at: plan.version,
              path: 'plan',
              body: (version) => ({ version, content: plan.content }),
            },
      ),
      found: versionsFound(
        'plan',
        'select max(version) version from plans where ? = 0',
        (client) => [client],
      ),
      lines: "method = 'PUT' and path = '/plan'",
    },
  };
}
