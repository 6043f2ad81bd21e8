/// What people are told of without asking, here and by a letter a day. Start with AlertsApi.
package alcabala.server.alerts;
