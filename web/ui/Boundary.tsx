import { Component, type ReactNode } from 'react';
import { Button } from './Button';
import { Notice } from './Notice';

interface Props {
  /** what is shown here, so that another page begins afresh */
  of: string;
  children: ReactNode;
}

/** What browsers say where a part of a page could not be fetched. */
const UNFETCHED = /dynamically imported module|importing a module script|module script failed/i;

/** A page that breaks leaves the frame around it standing, and says how to go on. */
export class Boundary extends Component<Props, { broken: string | null }> {
  override state: { broken: string | null } = { broken: null };

  static getDerivedStateFromError(error: unknown) {
    return { broken: error instanceof Error ? error.message : 'something went wrong' };
  }

  override componentDidUpdate(before: Props) {
    if (before.of !== this.props.of && this.state.broken !== null) this.setState({ broken: null });
  }

  override render() {
    if (this.state.broken === null) return this.props.children;
    if (UNFETCHED.test(this.state.broken)) {
      return (
        <div className="mx-auto max-w-3xl p-4">
          <Notice title="This page was not opened on this device before, and the server does not answer.">
            <p>Nothing was lost. Go back to where you were; it opens as soon as the server is there.</p>
            <div className="mt-2 flex gap-2">
              <Button
                look="act"
                onClick={() => {
                  window.history.back();
                }}
              >
                Back
              </Button>
              <Button
                onClick={() => {
                  window.location.reload();
                }}
              >
                Load it again
              </Button>
            </div>
          </Notice>
        </div>
      );
    }
    return (
      <div className="mx-auto max-w-3xl p-4">
        <Notice title="This page cannot be shown.">
          <p>What you typed is kept on this device. Load the page again, or go to another one.</p>
          <Button
            look="act"
            className="mt-2"
            onClick={() => {
              window.location.reload();
            }}
          >
            Load it again
          </Button>
        </Notice>
      </div>
    );
  }
}
