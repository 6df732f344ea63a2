import { Client, type QueryConfig } from 'pg';

/** So many statements are kept prepared by each connection; a plan takes some tens of kilobytes there. */
const MOST = 150;
/** A statement is named once it has come so often: one with a list of its own length would take a name for nothing. */
const OFTEN = 3;
/** So many texts are counted before counting begins again. */
const COUNTED = 3000;

/** Which statements come often enough to be kept prepared; the same text has the same name on every connection. */
export class StatementNames {
  private readonly names = new Map<string, string>();
  private counts = new Map<string, number>();

  /** The name of a statement, or null where it has none (yet). */
  nameOf(text: string): string | null {
    const known = this.names.get(text);
    if (known !== undefined) return known;
    if (this.names.size >= MOST) return null;
    const count = (this.counts.get(text) ?? 0) + 1;
    if (count >= OFTEN) {
      const name = `groval_${this.names.size + 1}`;
      this.names.set(text, name);
      this.counts.delete(text);
      return name;
    }
    if (this.counts.size >= COUNTED) this.counts = new Map();
    this.counts.set(text, count);
    return null;
  }
}

/**
 * Connections that keep what they are asked often prepared: parsing and planning a question with its
 * row-level policies takes longer than answering it.
 * Statements without values (begin, commit) are sent as they are.
 */
export function preparingClient(names: StatementNames): typeof Client {
  return class extends Client {
    // The driver's method has a signature for each way of calling it; ours only looks at the one that the query builder uses.
    override query = ((...sent: readonly unknown[]): unknown => {
      const [text, values, callback] = sent;
      const ask = super.query.bind(this) as (...given: readonly unknown[]) => unknown;
      if (typeof text !== 'string' || !Array.isArray(values) || values.length === 0 || callback !== undefined)
        return ask(...sent);
      const name = names.nameOf(text);
      return ask(name === null ? { text, values } : ({ name, text, values } satisfies QueryConfig));
    }) as Client['query'];
  };
}
