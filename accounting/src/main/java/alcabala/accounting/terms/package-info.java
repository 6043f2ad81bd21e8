/// Terms of payment, compared by what they compute. Start with PaymentTerms.
package alcabala.accounting.terms;
