import { understood, type Told } from './told';

interface Ears {
  onTold: (told: Told) => void;
  /** Whether what changes is told now. */
  onHears: (hears: boolean) => void;
}

const FIRST_PAUSE = 1_000;
const LONGEST_PAUSE = 60_000;

/** Keeps a stream open; after each time that it broke it waits longer before it tries again. Returns how to end it. */
function open({ onTold, onHears }: Ears): () => void {
  let source: EventSource;
  let pause = FIRST_PAUSE;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const begin = () => {
    source = new EventSource('/api/news');
    source.onopen = () => {
      pause = FIRST_PAUSE;
      onHears(true);
    };
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const told = understood(data);
      if (told) {
        onTold(told);
      }
    };
    source.onerror = () => {
      source.close();
      onHears(false);
      timer = setTimeout(begin, pause);
      pause = Math.min(pause * 2, LONGEST_PAUSE);
    };
  };
  begin();
  return () => {
    clearTimeout(timer);
    source.close();
    onHears(false);
  };
}

type Passed = { told: Told } | { hears: boolean } | 'asks';
const NAME = 'alcabala-news';

/** Listens for the whole browser: one of its pages keeps the stream, and passes on to the others what it hears. */
export function listen(ears: Ears): () => void {
  if (!('locks' in navigator) || !('BroadcastChannel' in window)) {
    return open(ears);
  }
  const channel = new BroadcastChannel(NAME);
  const leaving = new AbortController();
  const pass = (message: Passed) => channel.postMessage(message);
  let keeps = false;
  let hears = false;
  const end = { now: () => {} };
  channel.onmessage = ({ data }: MessageEvent<Passed>) => {
    if (data === 'asks') {
      if (keeps) {
        pass({ hears });
      }
    } else if ('told' in data) {
      ears.onTold(data.told);
    } else {
      ears.onHears(data.hears);
    }
  };
  pass('asks');
  void navigator.locks
    .request(NAME, { signal: leaving.signal }, () => {
      keeps = true;
      const close = open({
        onTold: (told) => {
          ears.onTold(told);
          pass({ told });
        },
        onHears: (now) => {
          hears = now;
          ears.onHears(now);
          pass({ hears });
        },
      });
      return new Promise<void>((resolve) => {
        end.now = () => {
          close();
          resolve();
        };
      });
    })
    .catch(() => undefined);
  return () => {
    leaving.abort();
    end.now();
    channel.close();
  };
}
