/// What somebody is told of without asking. Start with Alerts.
package alcabala.accounting.alert;
