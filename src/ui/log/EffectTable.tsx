'use client';

/** A figure of a boat now and then. */
export interface Moved {
  head: string;
  now: string;
  then: string;
}

/** What putting something to use changes, boat by boat. */
export function EffectTable({ rows }: { rows: { id: string; name: string; moved: Moved[] }[] }) {
  const [first] = rows;
  if (!first) return <p>No boat is laid so.</p>;
  return (
    <table className="table table-sm" aria-label="What it changes">
      <thead>
        <tr>
          <th scope="col">Boat</th>
          {first.moved.flatMap(({ head }) =>
            [`${head}, now`, 'then'].map((one) => (
              <th key={head + one} scope="col" className="num">
                {one}
              </th>
            )),
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ id, name, moved }) => (
          <tr key={id}>
            <th scope="row" className="fw-normal">
              {name}
            </th>
            {moved.flatMap(({ head, now, then }) => [
              <td key={head} className="num">
                {now}
              </td>,
              <td key={`${head} then`} className="num">
                {then}
              </td>,
            ])}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
