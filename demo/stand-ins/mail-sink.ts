// A mail server that delivers nothing: it keeps what it is sent in this process, and shows it on a page. For the demo and for tests.
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { simpleParser } from 'mailparser';
import { SMTPServer } from 'smtp-server';

/** A mail as it came. */
export interface SunkMail {
  readonly messageId: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly at: string;
}

/** How the sink treats the next mails: takes them, cannot take them now, or refuses them for good. */
export type Mood = 'takes' | 'busy' | 'refuses';

const escaped = (text: string): string =>
  text.replace(/[&<>"]/gu, (sign) => `&#${sign.codePointAt(0) ?? 0};`);

function pageOf(mails: readonly SunkMail[]): string {
  const articles = mails
    .toReversed()
    .map(
      ({ to, subject, text, at }) =>
        `<article><h2>${escaped(subject)}</h2><p>to ${escaped(to)}, ${escaped(at)}</p><pre>${escaped(text)}</pre></article>`,
    );
  return `<!doctype html><html lang="en"><title>Mails of the demo</title><h1>Mails of the demo (${mails.length})</h1>${articles.join('') || '<p>None yet.</p>'}</html>`;
}

/** A sink that listens. */
export interface MailSink {
  /** Where mail is sent to. */
  readonly smtpUrl: string;
  /** Where it is looked at. */
  readonly pageUrl: string;
  /** What came, each once by its message id. */
  readonly mails: () => readonly SunkMail[];
  /** Everything that came, the same again included. */
  readonly received: () => readonly SunkMail[];
  readonly setMood: (mood: Mood) => void;
  readonly close: () => Promise<void>;
}

/** Starts a sink on this machine alone. @param ports 0 chooses free ones */
export async function startMailSink(ports: {
  readonly smtp: number;
  readonly page: number;
}): Promise<MailSink> {
  const mails = new Map<string, SunkMail>();
  const received: SunkMail[] = [];
  let mood: Mood = 'takes';
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo: (_address, _session, next) => {
      if (mood === 'takes') next();
      else
        next(
          Object.assign(new Error(mood === 'busy' ? 'try again later' : 'no such person here'), {
            responseCode: mood === 'busy' ? 451 : 550,
          }),
        );
    },
    onData: (stream, _session, next) => {
      simpleParser(stream).then(
        (mail) => {
          const to = Array.isArray(mail.to)
            ? mail.to.map(({ text }) => text).join(', ')
            : (mail.to?.text ?? '');
          const got = {
            messageId: mail.messageId ?? `without/${received.length}`,
            to,
            subject: mail.subject ?? '',
            text: mail.text ?? '',
            at: new Date().toISOString(),
          };
          received.push(got);
          // A mail that comes again under its own name is the same mail.
          if (!mails.has(got.messageId)) mails.set(got.messageId, got);
          next();
        },
        (error: unknown) => {
          next(error instanceof Error ? error : new Error(String(error)));
        },
      );
    },
  });
  await new Promise<void>((resolve, reject) => {
    smtp.once('error', reject);
    smtp.listen(ports.smtp, '127.0.0.1', resolve);
  });
  const page: Server = createServer((_request, response) => {
    response.writeHead(200, {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'",
    });
    response.end(pageOf([...mails.values()]));
  });
  await new Promise<void>((resolve, reject) => {
    page.once('error', reject);
    page.listen(ports.page, '127.0.0.1', resolve);
  });
  const smtpPort = (smtp.server.address() as AddressInfo).port;
  const pagePort = (page.address() as AddressInfo).port;
  return {
    smtpUrl: `smtp://127.0.0.1:${smtpPort}`,
    pageUrl: `http://127.0.0.1:${pagePort}`,
    mails: () => [...mails.values()],
    received: () => [...received],
    setMood: (next) => {
      mood = next;
    },
    close: async () => {
      await new Promise<void>((resolve) => {
        smtp.close(resolve);
      });
      await new Promise<void>((resolve) => {
        page.close(() => {
          resolve();
        });
        page.closeAllConnections();
      });
    },
  };
}

/** Run by itself it prints where it listens, and ends with its parent's input. */
if (process.argv[1]?.endsWith('mail-sink.ts') === true) {
  const sink = await startMailSink({ smtp: 0, page: 0 });
  process.stdout.write(`${JSON.stringify({ smtp: sink.smtpUrl, page: sink.pageUrl })}\n`);
  process.stdin.on('end', () => process.exit(0)).resume();
}
