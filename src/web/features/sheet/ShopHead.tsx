import { useShopSettings } from '../../api/devices.ts';

/** Whose sheet this is, at its head; nothing where the shop has not said what it is called. */
export function ShopHead() {
  const { shopName } = useShopSettings().data ?? {};
  if (!shopName) return null;
  return (
    <p className="border-ink mb-3 border-b pb-1 text-[17px] font-semibold" data-testid="shop-name">
      {shopName}
    </p>
  );
}
