import { BRIEFING } from './briefing';
import { DAILY } from './daily';
import type { ListStep } from './list-step';
import { RIGGING } from './rigging';
import { RUN_UP } from './run-up';

/** Every step that stands beside the master list. */
export const LIST_STEPS: readonly ListStep[] = [...RUN_UP, ...BRIEFING, ...RIGGING, ...DAILY];
