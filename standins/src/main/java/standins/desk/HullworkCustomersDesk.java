package standins.desk;

import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.hullwork.HullworkCustomers;

/// Where the yard office keeps its customers.
@Controller
@RequestMapping("/hullwork/customers")
class HullworkCustomersDesk {
    private final HullworkCustomers customers;

    HullworkCustomersDesk(HullworkCustomers customers) {
        this.customers = customers;
    }

    @GetMapping
    String customers(Model model) {
        model.addAttribute(
                "customers", customers.all().stream().map(AddressForm::row).toList());
        return "hullwork-customers";
    }

    /// What is not given stays.
    @PostMapping("/{code}")
    String change(@PathVariable String code, @RequestParam Map<String, String> given) {
        customers.change(code, AddressForm.fields(given));
        return "redirect:/hullwork/customers";
    }
}
