/// Lists that bookkeepers keep of their own: numbers of documents and amounts, in whatever shape. Start with OwnLists.
package alcabala.formats.ownlist;
