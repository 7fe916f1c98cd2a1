import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/** How a database behaves towards whoever comes through here. */
export type Mood = 'well' | 'rejecting' | 'frozen';

const COM_QUERY = 0x03;
/** What a node of a cluster says that may not serve now. */
const NOT_READY = 1047;

/**
 * Stands between a program and its MariaDB, and lets it be as a cluster's nodes can be: `rejecting` answers
 * every statement as a node does that left its cluster (error 1047), `frozen` swallows everything until it is
 * well again.
 */
export async function unreliableDatabase(url: string): Promise<{
  readonly url: string;
  be(mood: Mood): void;
  close(): Promise<void>;
}> {
  const target = new URL(url);
  let mood: Mood = 'well';
  const sockets = new Set<Socket>();
  const held: (() => void)[] = [];
  const server = createServer((client) => {
    const database = connect(Number(target.port), target.hostname);
    const pass = (to: Socket, data: Buffer) => {
      if (mood === 'frozen') held.push(() => to.write(data));
      else to.write(data);
    };
    client.on('data', (data) => {
      const isQuery = data[3] === 0 && data[4] === COM_QUERY;
      if (mood === 'rejecting' && isQuery) client.write(refusal());
      else pass(database, data);
    });
    database.on('data', (data) => pass(client, data));
    for (const [one, other] of [
      [client, database],
      [database, client],
    ] as const) {
      sockets.add(one);
      one.on('close', () => other.destroy()).on('error', () => other.destroy());
    }
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const own = new URL(url);
  own.host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    url: own.href,
    be: (next) => {
      mood = next;
      if (mood !== 'frozen') for (const send of held.splice(0)) send();
    },
    close: async () => {
      for (const socket of sockets) socket.destroy();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}

/** An error packet: length, sequence 1, the number, the state, the words. */
function refusal(): Buffer {
  const words = Buffer.from('#08S01WSREP has not yet prepared node for application use');
  const body = Buffer.alloc(3);
  body[0] = 0xff;
  body.writeUInt16LE(NOT_READY, 1);
  const length = body.length + words.length;
  return Buffer.concat([Buffer.from([length & 0xff, length >> 8, 0, 1]), body, words]);
}
