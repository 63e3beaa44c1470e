import { answer } from '../answer';

export const dynamic = 'force-dynamic';

/** Whether there is a server at all: asked before a page is drawn anew. */
export const GET = () => answer({ alive: true });
