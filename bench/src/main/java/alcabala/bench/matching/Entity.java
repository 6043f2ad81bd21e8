package alcabala.bench.matching;

/// Somebody or some firm that is, whatever the two sides have written down of it.
///
/// @param kind which difficulty it is there for
record Entity(
        Kind kind,
        boolean person,
        String name,
        String form,
        String tax,
        String country,
        String mail,
        String phone,
        String street,
        String town,
        String zone) {
    /// The difficulties by which results are told apart.
    enum Kind {
        PLAIN,
        FILLER,
        GROUP_WITH_ONE_TAX_NUMBER,
        BRANCH,
        NEW_OWNER,
        GENERATION,
        NUMBERED,
        SHARED_CONTACT,
        TWICE_ON_THE_LEDGER,
        OTHER_SCRIPT,
        UMLAUT,
        TRADING_AS,
        FORMER_NAME,
        INITIALS,
        DEPARTMENT,
        WORD_ORDER,
        ABBREVIATED,
        NAMESAKE,
        MOVED
    }

    Entity as(Kind other) {
        return new Entity(other, person, name, form, tax, country, mail, phone, street, town, zone);
    }

    Entity named(String other) {
        return new Entity(kind, person, other, form, tax, country, mail, phone, street, town, zone);
    }

    Entity taxed(String other) {
        return new Entity(kind, person, name, form, other, country, mail, phone, street, town, zone);
    }

    Entity reached(String mail, String phone) {
        return new Entity(kind, person, name, form, tax, country, mail, phone, street, town, zone);
    }

    Entity at(String street, String town, String zone) {
        return new Entity(kind, person, name, form, tax, country, mail, phone, street, town, zone);
    }
}
