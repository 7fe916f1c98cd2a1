import { paths, type SignInOptions } from '@calm/contract';

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
  const asked = await fetch(address + paths.signInOptions(house));
  if (!asked.ok) throw new Error(`${house} does not answer: ${asked.status}`);
  const { candidates, demo } = (await asked.json()) as SignInOptions;
  const candidate = candidates.find((each) => each.name === name);
  const secret = candidate && demo?.[candidate.id];
  if (!secret) throw new Error(`${house} does not tell how ${name} comes in.`);
  const attempted = await fetch(address + paths.session(house), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId: candidate.id, secret }),
  });
  const [cookie] = attempted.headers.getSetCookie();
  if (!attempted.ok || !cookie)
    throw new Error(`${house} does not let ${name} in: ${attempted.status}`);
  return cookie.split(';')[0] ?? '';
}
