import {
  cloneElement,
  createContext,
  lazy,
  Suspense,
  useContext,
  type ComponentProps,
  type ReactElement,
  type ReactNode,
} from 'react';

export interface DialogProps {
  title: string;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  /** wide enough for three columns */
  wide?: boolean;
  children: ReactNode;
}

type Pressed = ReactElement<ComponentProps<'button'>>;

interface Props extends DialogProps {
  /** what opens it: one button; none where something else does */
  trigger?: Pressed;
}

const load = () => import('./DialogWindow');
const Window = lazy(load);

const Closing = createContext<() => void>(() => undefined);

/** A window over the page that keeps the focus until it is closed. */
export function Dialog({ trigger, ...rest }: Props) {
  const { open, onOpenChange } = rest;
  return (
    <Closing.Provider
      value={() => {
        onOpenChange(false);
      }}
    >
      {trigger !== undefined &&
        cloneElement(trigger, {
          'aria-haspopup': 'dialog',
          'aria-expanded': open,
          onPointerEnter: () => void load(),
          onClick: () => {
            onOpenChange(true);
          },
        })}
      <Suspense fallback={null}>{open && <Window {...rest} />}</Suspense>
    </Closing.Provider>
  );
}

/** Closes the dialog that its button stands in. */
export function CloseDialog({ children }: { children: Pressed }) {
  return cloneElement(children, { onClick: useContext(Closing) });
}
