export const Key = ({ children }: { children: string }) => (
  <kbd className="key" aria-hidden="true">
    {children}
  </kbd>
);
