import { describe, expect, it } from 'vitest';
import { concerns, understood, type Told } from './told';

const told = (topic: Told['topic'], ids: string[] = [], route?: string): Told => ({
  topic,
  ids,
  ...(route === undefined ? {} : { route }),
});

describe('news', () => {
  it('that cannot be understood are none', () => {
    expect(understood('{"topic":"WORK","ids":["1"]}')).toEqual(told('WORK', ['1']));
    expect(understood('{"topic":"WORK"}')).toBeUndefined();
    expect(understood('{"topic":"OTHER","ids":[]}')).toBeUndefined();
    expect(understood('not json')).toBeUndefined();
  });

  it('of documents concern lists of their route, and of single ones only those', () => {
    const news = told('RECORDS', ['7'], 'yard');
    expect(concerns(news, ['documents', 'list', { route: 'yard' }])).toBe(true);
    expect(concerns(news, ['documents', 'list', { route: 'harbour' }])).toBe(false);
    expect(concerns(news, ['documents', 'why', 7])).toBe(true);
    expect(concerns(news, ['documents', 'why', 8])).toBe(false);
    expect(concerns(told('RECORDS', [], 'yard'), ['documents', 'why', 8])).toBe(true);
    expect(concerns(news, ['road', 'yard'])).toBe(true);
    expect(concerns(news, ['road', 'harbour'])).toBe(false);
    expect(concerns(news, ['map', 'yard', 'item'])).toBe(false);
  });

  it('of a batch concern its own page and every list of batches', () => {
    const news = told('BATCHES', ['3'], 'yard');
    expect(concerns(news, ['batch', 3])).toBe(true);
    expect(concerns(news, ['batch', 4])).toBe(false);
    expect(concerns(news, ['batches', 'yard'])).toBe(true);
  });

  it('of work concern what goes on, and the runs of routes', () => {
    expect(concerns(told('WORK', ['1']), ['work', 'running'])).toBe(true);
    expect(concerns(told('WORK', ['1']), ['connect', 'runs', 'yard'])).toBe(true);
    expect(concerns(told('WORK', ['1']), ['connect', 'schedule', 'yard'])).toBe(false);
  });

  it('never ask outside systems', () => {
    const news = told('SETTINGS');
    expect(concerns(news, ['connect', 'all'])).toBe(true);
    expect(concerns(news, ['connect', 'counts', 'yard'])).toBe(false);
    expect(concerns(news, ['connect', 'numbers', 'yard'])).toBe(false);
    expect(concerns(news, ['readiness', 'yard'])).toBe(false);
  });
});
