import { paths, type FrontDoor } from '@calm/contract';

/**
 * Comes in to a made-up house by what its door tells everybody, as programs that stand in for people and
 * devices do.
 *
 * @param address of the server
 * @param name who comes in
 * @returns the session's cookie, `name=value`
 * @throws Error when the house is none that tells its secrets, or does not let them in
 */
export async function comeIn(address: string, house: string, name = 'Maro'): Promise<string> {
  const asked = await fetch(address + paths.frontDoor(house));
  if (!asked.ok) throw new Error(`${house} does not answer: ${asked.status}`);
  const { comers, demo } = (await asked.json()) as FrontDoor;
  const comer = comers.find((each) => each.name === name);
  const secret = comer && demo?.[comer.id];
  if (!secret) throw new Error(`${house} does not tell how ${name} comes in.`);
  const knocked = await fetch(address + paths.session(house), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId: comer.id, secret }),
  });
  const [cookie] = knocked.headers.getSetCookie();
  if (!knocked.ok || !cookie)
    throw new Error(`${house} does not let ${name} in: ${knocked.status}`);
  return cookie.split(';')[0] ?? '';
}
