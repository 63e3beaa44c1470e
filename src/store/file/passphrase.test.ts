import { Decrypter, Encrypter } from 'age-encryption';
import { lockedWith, openedWith } from './passphrase';

const words = 'lock keeper of the weir';
/** A thousandth of the usual work. */
const quick = 7;

async function locked(passphrase = words, logN = quick): Promise<Uint8Array> {
  const locking = new Encrypter();
  locking.addRecipient(lockedWith(passphrase, logN));
  return locking.encrypt('the tide table');
}

function open(file: Uint8Array, passphrase = words): Promise<string> {
  const opening = new Decrypter();
  opening.addIdentity(openedWith(passphrase));
  return opening.decrypt(file, 'text');
}

/** A file whose head is written otherwise. */
const rewritten = (file: Uint8Array, from: RegExp, to: string) =>
  Buffer.from(Buffer.from(file).toString('latin1').replace(from, to), 'latin1');

// Checked against the library of the format, which has a way of its own (age-encryption.org/v1).
describe('a file locked with a passphrase is one of the format', () => {
  test('what is locked here the library opens, with these words alone', async () => {
    const theirs = new Decrypter();
    theirs.addPassphrase(words);
    expect(await theirs.decrypt(await locked(), 'text')).toBe('the tide table');
    const wrong = new Decrypter();
    wrong.addPassphrase(`${words}s`);
    await expect(wrong.decrypt(await locked())).rejects.toThrow();
  });

  test('what the library locks is opened here, with these words alone, however they were typed', async () => {
    const theirs = new Encrypter();
    theirs.setScryptWorkFactor(quick);
    theirs.setPassphrase('Wächter am Wehr');
    const file = await theirs.encrypt('the tide table');
    expect(await open(file, 'Wächter am Wehr')).toBe('the tide table');
    expect(await open(file, 'Wa\u0308chter am Wehr')).toBe('the tide table');
    await expect(open(file, 'Wachter am Wehr')).rejects.toThrow();
  });
});

test('a head that is not written as it is to be opens nothing, and asks for no work', async () => {
  const file = await locked();
  for (const [from, to] of [
    [/(-> scrypt \S+) 7\n/, '$1 21\n'],
    [/(-> scrypt \S+) 7\n/, '$1 07\n'],
    [/-> scrypt \S+/, '-> scrypt AAAA'],
    [/-> scrypt (\S+) 7/, '-> scripted $1 7'],
  ] as const) {
    const changed = rewritten(file, from, to);
    expect(changed.equals(file)).toBe(false);
    await expect(open(changed)).rejects.toThrow();
  }
});

test('while a passphrase is tried with all its work, everything else goes on', async () => {
  let turns = 0;
  const timer = setInterval(() => (turns += 1), 5);
  await locked(words, 17);
  clearInterval(timer);
  expect(turns).toBeGreaterThan(5);
});
