import { logoAddress, useShopSettings } from '../../api/shop.ts';

/** Whose sheet this is, at its head; nothing where the shop has not said what it is called, and has no logo. */
export function ShopHead() {
  const { shopName = '', logo = null } = useShopSettings().data ?? {};
  const address = logoAddress({ logo });
  if (!shopName && !address) return null;
  return (
    <div className="border-ink mb-3 flex min-h-8 items-end gap-4 border-b pb-1">
      {address && (
        <img
          src={address}
          alt={shopName ? '' : 'Logo'}
          className="max-h-12 max-w-48"
          data-testid="shop-logo"
        />
      )}
      {shopName && (
        <p className="text-[17px] font-semibold" data-testid="shop-name">
          {shopName}
        </p>
      )}
    </div>
  );
}
