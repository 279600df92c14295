import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A way to another screen. Nothing is fetched before it is taken: a screen is asked of the server as it is now, so that what came before
 * would be asked for again, and thirty verbs and rows in sight would each ask once.
 */
export const Link = (link: ComponentProps<typeof NextLink>) => <NextLink prefetch={false} {...link} />;
