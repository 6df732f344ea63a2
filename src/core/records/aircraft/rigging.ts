import type { RecordBase } from '../record';

/**
 * That a glider was rigged or derigged, and who checked it afterwards. Rigging is operation and no maintenance: no certificate is asked for, only
 * that somebody answers for each check. Null fields are not known. Common practice, no source.
 */
export interface Rigging extends RecordBase {
  readonly state: 'rigged' | 'derigged';
  /** Who went through the maker's list of critical assemblies without being interrupted. */
  readonly assemblyCheckedBy: string | null;
  /** Who held the surfaces against the controls: one in the cockpit and a helper. */
  readonly controlsCheckedBy: string | null;
  /** Whether the tools and parts were counted, and none is missing. */
  readonly toolsComplete: boolean | null;
}
