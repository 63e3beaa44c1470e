/** What a word in a cookie is for: somebody’s session, or a device that goes along with one run. */
export type CookieOf = 'session' | 'screen' | 'remote';
const endings: Readonly<Record<CookieOf, string>> = { session: '', screen: '-screen', remote: '-remote' };

/** Read by no script, sent from no other site, and gone with the browser: what it stands for ends on the server in any case. */
export const cookieName = (secure: boolean, of: CookieOf = 'session') =>
  `${secure ? '__Host-kokyu' : 'kokyu'}${endings[of]}`;

/** The word of a session, or null for what can't be one. */
export const wordOf = (value: string | undefined): string | null => (value && /^[\w-]{43}$/.test(value) ? value : null);

/** The word among the cookies of a request, or null. Of two by that name neither is believed. */
export function wordIn(cookies: string | undefined, secure: boolean, of: CookieOf = 'session'): string | null {
  const name = cookieName(secure, of);
  const found = (cookies ?? '')
    .split(';')
    .map((one) => one.trim())
    .filter((one) => one.startsWith(`${name}=`))
    .map((one) => one.slice(name.length + 1));
  return found.length === 1 ? wordOf(found[0]) : null;
}

const about = (secure: boolean) => `Path=/; HttpOnly; SameSite=Strict${secure ? '; Secure' : ''}`;

export const cookieOf = (word: string, secure: boolean, of: CookieOf = 'session') =>
  `${cookieName(secure, of)}=${word}; ${about(secure)}`;
export const noCookie = (secure: boolean) => `${cookieName(secure)}=; Max-Age=0; ${about(secure)}`;
