import type { ComponentProps } from 'react';
import { Col } from 'react-bootstrap';
import { SmallChoice } from '../../shared/SmallChoice';

/** One choice among a few, in a column of its row. */
export function Choice<Key extends string | number>(props: ComponentProps<typeof SmallChoice<Key>>) {
  return (
    <Col>
      <SmallChoice {...props} />
    </Col>
  );
}
