package standins.desk;

import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.hullwork.HullworkMasters;
import standins.hullwork.HullworkMasters.Type;

/// Where the yard office keeps its customers and its items.
@Controller
@RequestMapping("/hullwork")
class HullworkMastersDesk {
    private final HullworkMasters masters;

    HullworkMastersDesk(HullworkMasters masters) {
        this.masters = masters;
    }

    @GetMapping("/customers")
    String customers(Model model) {
        model.addAttribute(
                "customers",
                masters.all(Type.CUSTOMER).stream().map(AddressForm::row).toList());
        return "hullwork-customers";
    }

    /// What is not given stays.
    @PostMapping("/customers/{code}")
    String changeCustomer(@PathVariable String code, @RequestParam Map<String, String> given) {
        masters.change(Type.CUSTOMER, code, AddressForm.fields(given));
        return "redirect:/hullwork/customers";
    }

    @GetMapping("/items")
    String items(Model model) {
        model.addAttribute("items", masters.all(Type.ITEM));
        return "hullwork-items";
    }

    /// Documents keep the text they have; what the item is called counts from the next fetch on.
    @PostMapping("/items/{code}")
    String changeItem(@PathVariable String code, @RequestParam Map<String, String> given) {
        masters.change(Type.ITEM, code, given);
        return "redirect:/hullwork/items";
    }
}
