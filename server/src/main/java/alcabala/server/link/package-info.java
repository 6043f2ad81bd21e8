/// What single records stand for on their ledger, said by hand: nothing, something else, or let be. Start with LinkApi.
package alcabala.server.link;
