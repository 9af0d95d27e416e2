import { type ComponentType, createElement, type FunctionComponent, useEffect, useState } from "react";
import { OnItsWay } from "./Quiet";

type Source<P> = { load: () => Promise<ComponentType<P>>; loaded?: ComponentType<P> };

/**
 * A component whose code is fetched when it is first shown. Unlike `lazy` it shows as soon as it is there: React holds
 * back for 300 ms whatever follows a place-holder of `Suspense`.
 */
export function onDemand<P extends object>(load: () => Promise<ComponentType<P>>): FunctionComponent<P> {
  const source: Source<P> = { load };
  return (props: P) => <Fetched source={source} given={props} />;
}

function Fetched<P extends object>({ source, given }: { source: Source<P>; given: P }) {
  const [shown, setShown] = useState(() => source.loaded);
  const [failed, setFailed] = useState<unknown>();
  useEffect(() => {
    if (!shown) {
      source
        .load()
        .then((component) => {
          source.loaded = component;
          setShown(() => component);
        })
        .catch((error: unknown) => setFailed(error ?? new Error("The page could not be fetched")));
    }
  }, [shown, source]);
  if (failed) {
    throw failed;
  }
  return shown ? createElement(shown, given) : <OnItsWay />;
}
