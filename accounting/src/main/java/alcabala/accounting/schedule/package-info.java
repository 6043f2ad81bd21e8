/// When a route runs by itself. Start with RunSchedule.
package alcabala.accounting.schedule;
