/** So many cookies are remembered; a longer one than this is looked at again each time. */
const MOST = 5000;
const LONGEST = 2048;
/** How long a signature that was looked at need not be looked at again, in milliseconds. The library extends sessions while it looks. */
const LASTS = 10 * 60_000;

/** What the authentication library answers of a session. */
type Look = (headers: Headers) => Promise<{ readonly session: { readonly token: string } } | null>;

/**
 * Which session a cookie names. The library looks at its signature, which costs more than all the rest of a
 * request, and the answer cannot change; so it is
 * remembered. Whether the session still lasts is never remembered: the database is asked each time.
 */
export class SessionTokens {
  private readonly known = new Map<string, { readonly token: string; readonly until: number }>();

  constructor(
    private readonly look: Look,
    private readonly clock: () => number = () => performance.now(),
  ) {}

  /** The token of the session, or null where the cookie names none. That there is a token does not say that the session lasts. */
  async tokenOf(headers: Headers): Promise<string | null> {
    const cookie = headers.get('cookie');
    if (cookie === null) return null;
    const found = this.known.get(cookie);
    if (found !== undefined && found.until > this.clock()) return found.token;
    const session = await this.look(headers);
    if (session === null) {
      this.known.delete(cookie);
      return null;
    }
    const { token } = session.session;
    if (cookie.length <= LONGEST) {
      if (this.known.size >= MOST) this.known.clear();
      this.known.set(cookie, { token, until: this.clock() + LASTS });
    }
    return token;
  }
}
