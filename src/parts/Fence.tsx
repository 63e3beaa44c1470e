'use client';

import { Component, type ReactNode, Suspense } from 'react';
import { Notice } from './Notice';

interface Props {
  /** The part in words, as it is told when it can't be shown. */
  what: string;
  children: ReactNode;
}

/**
 * A fence round one part of a page: what goes wrong inside it is told there, and the rest of the page stands. On the server the part
 * is left out and tried again in the browser, so that the page itself is answered.
 */
export function Fence({ what, children }: Props) {
  return (
    <Catching what={what}>
      <Suspense fallback={<p className="text-ink2">{what} …</p>}>{children}</Suspense>
    </Catching>
  );
}

class Catching extends Component<Props, { why: string | null }> {
  override state = { why: null as string | null };

  static getDerivedStateFromError(error: unknown) {
    return { why: error instanceof Error ? error.message : String(error) };
  }

  override render() {
    if (this.state.why === null) return this.props.children;
    return (
      <Notice kind="caution" title={`${this.props.what}: this part can’t be shown.`}>
        <p>
          The rest of the page works, and what was recorded is kept. What went wrong: {this.state.why.slice(0, 200)}
        </p>
      </Notice>
    );
  }
}
