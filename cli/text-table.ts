/** Rows of text in columns, each as wide as its widest cell. @example textTable([["cart", "price"], ["€10", "€4.90"]]) */
export function textTable(rows: readonly (readonly string[])[]): string {
  const columns = Math.max(0, ...rows.map((row) => row.length));
  const widths = Array.from({ length: columns }, (_, column) =>
    Math.max(0, ...rows.map((row) => row[column]?.length ?? 0)),
  );
  return rows
    .map((row) =>
      row
        .map((cell, column) => cell.padEnd(widths[column] ?? 0))
        .join("  ")
        .trimEnd(),
    )
    .join("\n");
}
