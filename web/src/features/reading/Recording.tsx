/** A sound or film, played in the page; any place of it can be gone to. */
export function Recording({ source, mediaType, name }: { source: string; mediaType: string; name: string }) {
  return (
    <div className="desk recording">
      {mediaType.startsWith("video/") ? (
        // biome-ignore lint/a11y/useMediaCaption: what came in has no captions
        <video controls preload="metadata" src={source} aria-label={name} />
      ) : (
        // biome-ignore lint/a11y/useMediaCaption: what came in has no captions
        <audio controls preload="metadata" src={source} aria-label={name} />
      )}
      <p className="muted">{name}</p>
    </div>
  );
}
