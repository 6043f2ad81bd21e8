/// Whatever crosses, as one narrow row of facts with the state that follows from them. Start with Records.
package alcabala.server.record;
