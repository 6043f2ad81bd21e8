/// What a bookkeeper decides about a route. Start with Setting: one constant for each decision.
package alcabala.accounting.setting;
