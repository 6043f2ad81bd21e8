/// Who may: people, sessions, tokens, and the slowing down of repeated failures. Start with AccessConfiguration.
package alcabala.server.access;
