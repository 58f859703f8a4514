/** An answer that a browser saves, or shows, under a name made of the class's title. */
export function fileAnswer(
  body: string | Uint8Array<ArrayBuffer>,
  type: string,
  title: string,
  ending: string,
  how: "attachment" | "inline" = "attachment",
): Response {
  const name =
    title
      .toLowerCase()
      .normalize("NFKD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 60) || "class";
  return new Response(body, {
    headers: {
      "Content-Type": type === "application/pdf" ? type : `${type}; charset=utf-8`,
      "Content-Disposition": `${how}; filename="${name}${ending}"`,
      "Cache-Control": "no-store",
    },
  });
}
