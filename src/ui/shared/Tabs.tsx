import { Nav } from 'react-bootstrap';

/** A row of views, one of them open. */
export function Tabs<T extends string>({
  names,
  open,
  onOpen,
  variant = 'tabs',
  className = 'mb-2 small',
}: {
  names: Record<T, string>;
  open: T;
  onOpen: (view: T) => void;
  variant?: 'tabs' | 'pills';
  className?: string;
}) {
  return (
    <Nav variant={variant} className={className} activeKey={open} onSelect={(key) => onOpen(key as T)}>
      {Object.entries<string>(names).map(([key, name]) => (
        <Nav.Item key={key}>
          <Nav.Link eventKey={key} as="button" type="button" className="px-2 py-1">
            {name}
          </Nav.Link>
        </Nav.Item>
      ))}
    </Nav>
  );
}
