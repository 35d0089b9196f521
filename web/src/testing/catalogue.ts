import { readdirSync, readFileSync } from "node:fs";
import ts from "typescript";

/** Every sentence that the interface says, from its source: `say("id", "English", …)`. */
export function catalogue() {
  const sentences: Record<string, string> = {};
  const twice: string[] = [];
  const unnamed: string[] = [];
  const files = (readdirSync("src", { recursive: true }) as string[])
    .filter((f) => /\.tsx?$/.test(f) && !/\.test\.|schema\.d|^testing/.test(f))
    .sort();
  for (const f of files) {
    const kind = f.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
    const source = ts.createSourceFile(
      f,
      readFileSync(`src/${f}`, "utf8"),
      ts.ScriptTarget.Latest,
      true,
      kind,
    );
    const visit = (n: ts.Node) => {
      if (ts.isCallExpression(n) && n.expression.getText(source) === "say") {
        const [id, english] = n.arguments;
        if (!id || !english || !ts.isStringLiteral(id) || !ts.isStringLiteralLike(english)) {
          unnamed.push(`${f}: ${n.getText(source)}`);
        } else {
          if (sentences[id.text] !== undefined && sentences[id.text] !== english.text) {
            twice.push(id.text);
          }
          sentences[id.text] = english.text;
        }
      }
      ts.forEachChild(n, visit);
    };
    visit(source);
  }
  return {
    sentences: Object.fromEntries(Object.entries(sentences).sort(([a], [b]) => (a < b ? -1 : 1))),
    twice,
    unnamed,
  };
}
