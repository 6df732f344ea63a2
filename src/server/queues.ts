/** The schema of the job queue. */
export const JOBS_SCHEMA = 'jobs';

/**
 * Our queues. `short`: of one key at most one job waits, however often it is asked for. What runs may run
 * beside another of its key, so that one whose process was killed holds nobody up: each locks what it writes.
 * A job that fails is tried again; what is still to be done then is found by the next look.
 */
export const QUEUES = {
  'notices-sweep': { policy: 'short', retryLimit: 0, expireInSeconds: 120, retentionMinutes: 60 },
  'notices-look': {
    policy: 'short',
    retryLimit: 2,
    retryDelay: 5,
    expireInSeconds: 120,
    retentionMinutes: 60,
  },
  'notices-mail': { policy: 'short', retryLimit: 0, expireInSeconds: 120, retentionMinutes: 60 },
  'notices-push': { policy: 'short', retryLimit: 0, expireInSeconds: 120, retentionMinutes: 60 },
  // The library's own, by which it sends what has its minute. It would make it itself, and may not: the application owns no table.
  '__pgboss__send-it': { policy: 'standard' },
} as const;
/** The queues that we send to. */
export type QueueName = Exclude<keyof typeof QUEUES, '__pgboss__send-it'>;
