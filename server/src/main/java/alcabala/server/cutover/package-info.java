/// What both sides had open on the day on which a route begins, side by side. Start with CutOverSheet.
package alcabala.server.cutover;
