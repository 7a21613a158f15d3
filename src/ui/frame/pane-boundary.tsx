'use client';

import { Component, type ReactNode } from 'react';
import { ActionButton } from '../fields/fields';
import { RescueButton } from './session-trouble';

interface Props {
  /** What the pane is, in words: "The plan". */
  name: string;
  children: ReactNode;
}

/** Holds what breaks down in one pane there: the others go on, and the work can be taken out. */
export class PaneBoundary extends Component<Props, { broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError(): { broken: boolean } {
    return { broken: true };
  }

  override render(): ReactNode {
    if (!this.state.broken) return this.props.children;
    return (
      <div role="alert" className="flex min-w-0 flex-1 flex-col items-start gap-2 p-4">
        <p>{this.props.name} stopped and cannot be shown. What you did is kept; the other panes go on.</p>
        <div className="flex flex-wrap gap-2">
          <ActionButton weight="main" onClick={() => this.setState({ broken: false })}>
            Show it again
          </ActionButton>
          <RescueButton />
        </div>
      </div>
    );
  }
}
