/** What a check rests on. */
export interface PublishedSource {
  readonly title: string;
  readonly section: string;
  readonly edition: string;
  /** Whether the values were written down from memory, and how sure they are. */
  readonly from: 'memory, high confidence' | 'memory, medium confidence' | 'the text itself';
}
