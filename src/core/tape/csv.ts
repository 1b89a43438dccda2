const DELIMITERS = [",", ";", "\t", "|"];

/** The names of the columns in the first line of a CSV file (RFC 4180; also with other delimiters), and what stands between them. */
export function splitRow(line: string): { readonly names: readonly string[]; readonly delimiter: string } {
  const text = line.replace(/^\ufeff/, "").replace(/\r$/, "");
  const unquoted = text.replace(/"[^"]*"/g, "");
  const counts = DELIMITERS.map((one) => unquoted.split(one).length);
  const delimiter = DELIMITERS[counts.indexOf(Math.max(...counts))];
  return { names: fieldsOf(text, delimiter), delimiter };
}

/** The fields of one row. */
export function fieldsOf(row: string, delimiter: string): string[] {
  const fields: string[] = [];
  let field = "";
  let quoted = false;
  for (let i = 0; i < row.length; i++) {
    const c = row[i];
    if (c === '"' && quoted && row[i + 1] === '"') field += row[++i];
    else if (c === '"') quoted = !quoted;
    else if (c === delimiter && !quoted) {
      fields.push(field.trim());
      field = "";
    } else field += c;
  }
  return [...fields, field.trim()];
}
