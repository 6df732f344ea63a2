'use client';

import { useQuery } from '@tanstack/react-query';
import type { AircraftPage } from '@/queries/aircraft-page';
import type { CounterFlight, CounterList } from '@/queries/counter';
import type { Line } from '@/queries/line';
import type { RampAircraft, RampList } from '@/queries/ramp';
import { ask, Refusal } from './fetching';

export interface Me { readonly name: string; readonly roles: readonly string[]; readonly personId: string }

const retry = (count: number, error: Error) => !(error instanceof Refusal) && count < 3;

/** Who is signed in. */
export const useMe = () => useQuery({ queryKey: ['me'], queryFn: () => ask<Me>('/api/me'), retry, staleTime: 60_000 });
/** The Line. */
export const useLine = () => useQuery({ queryKey: ['line'], queryFn: () => ask<Line>('/api/line'), retry, refetchInterval: 5 * 60_000 });
/** One aircraft's page. */
export const useAircraft = (registration: string | null) => useQuery({ queryKey: ['aircraft', registration], queryFn: () => ask<AircraftPage>(`/api/aircraft/${encodeURIComponent(registration ?? '')}`), enabled: registration !== null, retry });
/** The aircraft that can be reported on. */
export const useRampList = () => useQuery({ queryKey: ['ramp'], queryFn: () => ask<RampList>('/api/ramp'), retry, staleTime: 600_000 });
/** One aircraft's stations and items. */
export const useRampAircraft = (registration: string | null) => useQuery({ queryKey: ['ramp', registration], queryFn: () => ask<RampAircraft>(`/api/ramp/${encodeURIComponent(registration ?? '')}`), enabled: registration !== null, retry, staleTime: 600_000 });
/** The Counter's list. */
export const useCounter = () => useQuery({ queryKey: ['counter'], queryFn: () => ask<CounterList>('/api/counter'), retry, refetchInterval: 60_000 });
/** One flight at the Counter. */
export const useCounterFlight = (flightId: string | null) => useQuery({ queryKey: ['counter', flightId], queryFn: () => ask<CounterFlight>(`/api/counter/${encodeURIComponent(flightId ?? '')}`), enabled: flightId !== null, retry });
