/** The schema of the job queue. */
export const JOBS_SCHEMA = 'jobs';

/**
 * Our queues. `stately`: of one key at most one job waits and one runs, however often it is asked for. A job that fails is tried again with growing
 * pauses; what is still to be done then is found again by the next look.
 */
export const QUEUES = {
  'notices-sweep': { policy: 'stately', retryLimit: 0, expireInSeconds: 300, retentionMinutes: 60 },
  'notices-look': {
    policy: 'stately',
    retryLimit: 2,
    retryDelay: 5,
    expireInSeconds: 120,
    retentionMinutes: 60,
  },
  'notices-mail': {
    policy: 'stately',
    retryLimit: 3,
    retryDelay: 20,
    retryBackoff: true,
    expireInSeconds: 120,
    retentionMinutes: 60,
  },
} as const;
export type QueueName = keyof typeof QUEUES;
