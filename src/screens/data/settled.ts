import { useEffect, useState } from 'react';

/** What a value came to once it has stood still for a moment: while somebody types, nothing is asked for every letter. @param milliseconds how long */
export function useSettled<T>(value: T, milliseconds: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => {
      setSettled(value);
    }, milliseconds);
    return () => {
      clearTimeout(timer);
    };
  }, [value, milliseconds]);
  return settled;
}
