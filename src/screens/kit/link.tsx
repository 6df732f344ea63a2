import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/** A way to another page, whose scripts come when it is opened: half of what a desk page loaded were pages that nobody went to. */
export default function Link(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
