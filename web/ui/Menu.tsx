import { Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Link } from 'react-router';

/** What can be done with one thing: done here, or on another page. */
export type MenuItem = { name: string; disabled?: boolean } & ({ onChoose: () => void } | { to: string });

/** All that can be done with one thing, behind one button. */
export function Menu({ of, items }: { of: string; items: readonly MenuItem[] }) {
  const look =
    'flex min-h-10 w-full cursor-pointer items-center rounded px-3 outline-none data-[disabled]:cursor-default data-[disabled]:opacity-45 data-[highlighted]:bg-paper';
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`What to do with ${of}`}
        className="inline-flex size-10 shrink-0 items-center justify-center rounded-full text-faint hover:text-ink"
      >
        <Ellipsis size={20} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          collisionPadding={12}
          className="z-20 min-w-48 rounded-md border border-line bg-card p-1 shadow-lg"
        >
          {items.map((item) =>
            'to' in item ? (
              <DropdownMenu.Item key={item.name} asChild>
                <Link to={item.to} className={look}>
                  {item.name}
                </Link>
              </DropdownMenu.Item>
            ) : (
              <DropdownMenu.Item
                key={item.name}
                disabled={item.disabled ?? false}
                className={look}
                onSelect={item.onChoose}
              >
                {item.name}
              </DropdownMenu.Item>
            ),
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
