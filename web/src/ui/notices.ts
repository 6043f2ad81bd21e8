import { createContext, useContext } from 'react';

export interface Notice {
  text: string;
  tone: 'done' | 'failed';
  undo?: () => void;
}

export const NoticeContext = createContext<(notice: Notice) => void>(() => undefined);

export const useNotice = () => useContext(NoticeContext);
