import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'US Naval Observatory, tables of sunrise, sunset and civil twilight',
  section: 'tables for 2025',
  edition: '2025',
  from: 'memory, high confidence',
};
