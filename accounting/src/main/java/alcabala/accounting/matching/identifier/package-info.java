/// What identifies a party beside its name, as it is compared: tax identifier, e-mail, telephone, address.
/// What only fills a field is nothing. Start with TaxIdentifier.
package alcabala.accounting.matching.identifier;
