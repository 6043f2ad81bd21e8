/// What crossed, on paper and in spreadsheets: a batch, or all that was sent in a period. Start with
/// [alcabala.server.register.RegisterApi].
package alcabala.server.register;
