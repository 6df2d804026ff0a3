// What a drawing shows, told to a screen reader as a table; off the screen for everybody else.

interface UnseenTableProps {
  caption: string;
  head: readonly string[];
  rows: readonly (readonly string[])[];
}

export function UnseenTable({ caption, head, rows }: UnseenTableProps) {
  return (
    <div style={UNSEEN}>
      <table>
        <caption>{caption}</caption>
        <thead>
          <tr>
            {head.map((cell) => (
              <th key={cell} scope="col">
                {cell}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row[0]}>
              {row.map((cell, i) =>
                i === 0 ? (
                  <th key={head[i]} scope="row">
                    {cell}
                  </th>
                ) : (
                  <td key={head[i]}>{cell}</td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

export const UNSEEN = {
  position: 'absolute',
  width: 1,
  height: 1,
  overflow: 'hidden',
  clipPath: 'inset(50%)',
  whiteSpace: 'nowrap',
} as const;
