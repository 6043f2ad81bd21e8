/// What ruins a crossing later, found before anything crosses (domain, section 8). Start with Readiness.
package alcabala.accounting.readiness;
