/** An answer that a browser saves under a name made of the class's title. */
export function fileAnswer(body: string, type: string, title: string, ending: string): Response {
  const name =
    title
      .toLowerCase()
      .normalize("NFKD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 60) || "class";
  return new Response(body, {
    headers: {
      "Content-Type": `${type}; charset=utf-8`,
      "Content-Disposition": `attachment; filename="${name}${ending}"`,
      "Cache-Control": "no-store",
    },
  });
}
