import { X509Certificate as Parsed, createHash, randomBytes, webcrypto } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import 'reflect-metadata';
import {
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  KeyUsageFlags,
  KeyUsagesExtension,
  SubjectAlternativeNameExtension,
  X509CertificateGenerator,
  cryptoProvider,
} from '@peculiar/x509';
import { isLoopback } from './judge';

/** What a server shows of itself, and what a device has to trust for it. */
export interface Identity {
  cert: string;
  key: string;
  /** The studio’s own authority, to be trusted once on each device; null where certificate and key were given. */
  authority: string | null;
}

const algorithm = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
/** The authority is trusted by hand on every device: it lasts. */
const authorityDays = 3650;
/** Longer ones some systems do not take. */
const serverDays = 397;
const renewBeforeDays = 30;
const day = 86_400_000;

/** The names and addresses this machine can be reached under from others on the same network. */
export function namesHere(more: readonly string[] = []): string[] {
  const own = hostname().toLowerCase();
  const addresses = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ internal, family, address }) => !internal && family === 'IPv4' && isIP(address) === 4)
    .map(({ address }) => address);
  const named = /^[a-z0-9-]+$/.test(own) ? [own, `${own}.local`] : [];
  return [...new Set(['localhost', '127.0.0.1', ...named, ...addresses, ...more.map((name) => name.toLowerCase())])];
}

/**
 * Under what another machine finds this one best: a name that was given, else an address, since not every phone knows names of the house.
 *
 * @example elsewhereAs([], ['localhost', 'studio.local', '192.168.1.20'], 3000) // '192.168.1.20:3000'
 */
export function elsewhereAs(given: readonly string[], names: readonly string[], port: number): string {
  const others = names.filter((name) => !isLoopback(name) && isIP(name) !== 0);
  const name = [...given, ...others, ...names].find((one) => !isLoopback(one));
  return name === undefined ? '' : `${name.toLowerCase()}${port === 443 ? '' : `:${port}`}`;
}

const pem = (label: string, bytes: ArrayBuffer) =>
  `-----BEGIN ${label}-----\n${Buffer.from(bytes)
    .toString('base64')
    .replace(/(.{64})/g, '$1\n')
    .trimEnd()}\n-----END ${label}-----\n`;

const { subtle } = webcrypto;
const newKeys = () => subtle.generateKey(algorithm, true, ['sign', 'verify']);
const keyText = async (key: webcrypto.CryptoKey) => pem('PRIVATE KEY', await subtle.exportKey('pkcs8', key));
const serial = () => `00${randomBytes(15).toString('hex')}`;

function write(path: string, text: string) {
  writeFileSync(`${path}.part`, text, { mode: 0o600, flush: true });
  renameSync(`${path}.part`, path);
  chmodSync(path, 0o600);
}

/** Whether a certificate is of this authority, names all of these, and is not soon over. */
function isGood(cert: string, key: string, authority: string, names: readonly string[], nowMs: number): boolean {
  try {
    const parsed = new Parsed(cert);
    const named = names.every((name) => (isIP(name) ? parsed.checkIP(name) : parsed.checkHost(name)) !== undefined);
    return (
      named &&
      key !== '' &&
      parsed.verify(new Parsed(authority).publicKey) &&
      Date.parse(parsed.validTo) - nowMs > renewBeforeDays * day
    );
  } catch {
    return false;
  }
}

const read = (path: string) => (existsSync(path) ? readFileSync(path, 'utf8') : '');

/**
 * The certificate this studio is served with: the one given by file, or one of the studio's own authority, which is made at the first
 * start. Made anew when the machine has other addresses or it is soon over; a device that trusts the authority goes on trusting it.
 *
 * @param folder where authority and certificate are kept, readable by the owner alone
 * @param names every name and address it is asked for under
 */
export async function identityFor(
  folder: string,
  names: readonly string[],
  nowMs: number,
  given?: { cert: string; key: string },
): Promise<Identity> {
  if (given) return { cert: readFileSync(given.cert, 'utf8'), key: readFileSync(given.key, 'utf8'), authority: null };
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  const at = (name: string) => join(folder, name);
  cryptoProvider.set(webcrypto as unknown as Crypto);
  let authority = read(at('authority.crt'));
  let authorityKey = read(at('authority.key'));
  if (!authority || !authorityKey || Date.parse(new Parsed(authority).validTo) - nowMs < serverDays * day) {
    const keys = await newKeys();
    const made = await X509CertificateGenerator.createSelfSigned({
      serialNumber: serial(),
      name: `CN=Kokyu of this studio ${randomBytes(3).toString('hex')}`,
      notBefore: new Date(nowMs - day),
      notAfter: new Date(nowMs + authorityDays * day),
      signingAlgorithm: algorithm,
      keys: keys as never,
      extensions: [
        // It vouches for servers and for nothing that would vouch for others.
        new BasicConstraintsExtension(true, 0, true),
        new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      ],
    });
    authority = made.toString('pem');
    authorityKey = await keyText(keys.privateKey);
    write(at('authority.key'), authorityKey);
    write(at('authority.crt'), authority);
  }
  const [cert, key] = [read(at('server.crt')), read(at('server.key'))];
  if (isGood(cert, key, authority, names, nowMs)) return { cert, key, authority };
  const keys = await newKeys();
  const signingKey = await subtle.importKey('pkcs8', derOf(authorityKey), algorithm, false, ['sign']);
  const made = await X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Kokyu',
    issuer: nameOf(authority),
    notBefore: new Date(nowMs - day),
    notAfter: new Date(nowMs + serverDays * day),
    signingAlgorithm: algorithm,
    publicKey: keys.publicKey as never,
    signingKey: signingKey as never,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(
        names.map((name) => ({ type: isIP(name) ? ('ip' as const) : ('dns' as const), value: name })),
      ),
    ],
  });
  const fresh = { cert: made.toString('pem'), key: await keyText(keys.privateKey) };
  write(at('server.key'), fresh.key);
  write(at('server.crt'), fresh.cert);
  return { ...fresh, authority };
}

const derOf = (text: string) => Buffer.from(text.replace(/-----[^-]+-----|\s/g, ''), 'base64');
const nameOf = (cert: string) => new Parsed(cert).subject.split('\n').join(', ');

/** By which a person tells on a device that it is this studio's authority: the same figures stand in Settings. */
export const fingerprintOf = (cert: string): string =>
  createHash('sha256')
    .update(new Parsed(cert).raw)
    .digest('hex')
    .toUpperCase()
    .replace(/(..)(?=.)/g, '$1:');
