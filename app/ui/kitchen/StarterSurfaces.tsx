import { Span } from "@chakra-ui/react";
import { type StarterKind, starterKitchens } from "~/core/gear";
import { SurfaceDrawing } from "~/ui/draw/SurfaceDrawing";
import { StarterSurface } from "~/ui/parts/room";
import { useLocale } from "~/ui/sheet/locale";
import { surfaceWords } from "~/ui/words/en";
import { wordsIn } from "~/ui/words/regional";

/** Pieces of this width are drawn on a surface of a kitchen, which does not know of recipes. */
export const drawnPiece = { pieceDiameterCm: 10 };

/** The name of a kitchen to begin from, and what cooks in it, drawn. */
export function StarterSurfaces({ kind }: { kind: StarterKind }) {
  const words = wordsIn(surfaceWords, useLocale());
  return (
    <>
      <b>{starterKitchens[kind].name}</b>
      {starterKitchens[kind].surfaces.map((surface) => (
        <StarterSurface key={surface.id}>
          <SurfaceDrawing surface={surface} recipe={drawnPiece} />
          <Span color="fg.muted">
            {surface.count} × {words[surface.kind]}
            {surface.at === "station" ? " at each station" : ""}
          </Span>
        </StarterSurface>
      ))}
    </>
  );
}
