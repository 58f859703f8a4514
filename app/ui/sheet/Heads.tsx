interface Props {
  /** The heads in order; `{ n }` stands over figures and is set to the right as they are. */
  readonly of: readonly (string | { readonly n: string })[];
}

/** The head of a ruled table: one row, a head for each column. */
export const Heads = ({ of }: Props) => (
  <thead>
    <tr>
      {of.map((head) =>
        typeof head === "string" ? (
          <th scope="col" key={head}>
            {head}
          </th>
        ) : (
          <th data-numeric scope="col" key={head.n}>
            {head.n}
          </th>
        ),
      )}
    </tr>
  </thead>
);
