/// Clearing money: what was received and is taken to the bank together. Start with Banker and ToBank.
package alcabala.server.clear;
