import { isGoodSecret, PASSWORD_LENGTH, PIN_LENGTH, secretKindOf, type Role } from '@calm/contract';
import { onThread } from '../../workers/threads';
import { badInput, type Refused } from '../result';

/**
 * Why a secret will not do for a role; null when it does.
 *
 * @param names of the person and the house: whoever guesses begins with them
 */
export async function weakness(
  role: Role,
  secret: string,
  names: readonly string[],
  field = 'secret',
): Promise<Refused | null> {
  const isPassword = secretKindOf(role) === 'password';
  if (!isGoodSecret(role, secret)) {
    const { least, most } = PIN_LENGTH;
    return isPassword
      ? badInput(
          field,
          'secret.weak',
          `A password has at least ${PASSWORD_LENGTH.least} characters, not the same few throughout.`,
        )
      : badInput(field, 'secret.weak', `A PIN is ${least} to ${most} digits, not in a row.`);
  }
  if (!isPassword || !(await onThread('isGuessable', { password: secret, names }))) return null;
  return badInput(field, 'secret.guessable', 'That password is among the first to be guessed.');
}
