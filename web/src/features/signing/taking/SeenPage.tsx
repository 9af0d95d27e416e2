import { useEffect, useRef, useState } from "react";

type SeenPageProps = {
  source: string;
  alt: string;
  /** In pixels, until the image is there. */
  height: number;
  /** Told once the page has been on the screen. */
  onSeen: () => void;
};

const STEPS = Array.from({ length: 21 }, (_, i) => i / 20);

/** A good part of the page is on the screen, or it fills half of that. */
function isReadable({ intersectionRatio, intersectionRect, rootBounds }: IntersectionObserverEntry) {
  return (
    intersectionRatio >= 0.4 || (rootBounds !== null && intersectionRect.height >= rootBounds.height / 2)
  );
}

/** A page that is fetched only when it comes on the screen: what was fetched was seen. */
export function SeenPage({ source, alt, height, onSeen }: SeenPageProps) {
  const image = useRef<HTMLImageElement>(null);
  const [isOn, setIsOn] = useState(false);
  useEffect(() => {
    const page = image.current;
    if (!page || isOn) {
      return;
    }
    const watching = new IntersectionObserver(
      (entries) => {
        if (entries.some(isReadable)) {
          setIsOn(true);
        }
      },
      { threshold: STEPS },
    );
    watching.observe(page);
    return () => watching.disconnect();
  }, [isOn]);
  return (
    <img
      ref={image}
      src={isOn ? source : undefined}
      alt={alt}
      style={{ minHeight: height }}
      onLoad={(e) => {
        e.currentTarget.style.minHeight = "0";
        onSeen();
      }}
    />
  );
}
